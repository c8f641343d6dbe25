'use client'

import { lazyPart } from '../../interface/lazyPart'
import { useMemo } from 'react'
import styled from 'styled-components'
import { compareTerms } from '../../core/terms/compareTerms.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { media } from '../../interface/theme/media'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { Allowances } from './Allowances'
import { Disks } from './Disks'
import { Parts } from './Parts'
import { TermsTable } from './TermsTable'

const TermsChart = lazyPart(() => import('./TermsChart'), 'TermsChart', { drawing: 252 })

/** What the provider's rules mean for this machine: its terms, free allowances, disks and the rest. */
export function TermsScreen() {
  const { result } = useWorkbench()
  return result?.ok ? <Sections priced={result} /> : null
}

function Sections({ priced }: { readonly priced: PricedMachine }) {
  const { resolved, month, account } = priced
  const comparison = useMemo(() => compareTerms(resolved, month, account.planned), [resolved, month, account])
  return (
    <>
      <Block aria-label="Terms compared">
        <h2>Terms for {resolved.size.name}, under this machine’s own schedule</h2>
        <Pair>
          <TermsTable comparison={comparison} priced={priced} />
          <TermsChart comparison={comparison} currency={priced.estimate.currency} />
        </Pair>
      </Block>
      <Block aria-label="Free allowances">
        <h2>Free allowances of the account</h2>
        <Allowances priced={priced} />
      </Block>
      <Block aria-label="Disks">
        <h2>Disks: what is provided, charged and reached</h2>
        <Disks priced={priced} />
      </Block>
      <Block aria-label="Address, traffic and licence">
        <h2>Address, traffic and licence</h2>
        <Parts priced={priced} />
      </Block>
    </>
  )
}

const Block = styled.section`
  display: grid;
  gap: 7px;
  margin-top: 16px;
  min-width: 0;
`

const Pair = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(240px, 1fr);
  gap: 20px;
  ${media.compact} {
    grid-template-columns: minmax(0, 1fr);
  }
`

'use client'

import { memo } from 'react'
import styled from 'styled-components'
import type { OverviewPart } from '../../core/wholePlan/planOverview.ts'
import type { QuotaUse } from '../../core/wholePlan/quotaUse.ts'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { instantText } from '../../wording/instantText.ts'
import { BenchSection, BenchTitle } from './BenchSection'

const NAMES = { vcpu: 'vCPU', machines: 'machines', 'fixed-addresses': 'fixed addresses' } as const

/** What providers let one account have, and what of it is used: with all on at once, and at the schedules' peak. */
export const Quotas = memo(function Quotas({
  part,
}: {
  readonly part: Extract<OverviewPart, { kind: 'limits' }> | undefined
}) {
  const { state } = useWorkbench()
  const { plan, books } = state
  const zone = plan.weeks[0]?.timeZone ?? 'Etc/UTC'
  if (!part || part.quotas.length === 0) return null
  return (
    <BenchSection aria-label="Quotas">
      <BenchTitle>
        Quotas <small>what each account may hold; times of {zone}</small>
      </BenchTitle>
      <Scroll tabIndex={0} role="group" aria-label="Quotas of each account">
        <Table>
          <thead>
            <tr>
              <th scope="col">Provider</th>
              <th scope="col">of what</th>
              <th scope="col">quota</th>
              <th scope="col">all at once</th>
              <th scope="col">peak</th>
              <th scope="col">left at the peak</th>
              <th scope="col">first held</th>
            </tr>
          </thead>
          <tbody>
            {part.quotas.map((use) => {
              const book = books.find(({ provider }) => provider.id === use.provider)
              const left = use.most - use.peak
              return (
                <tr key={`${use.provider} ${use.what} ${use.of?.id ?? ''}`}>
                  <th scope="row">{book?.provider.name ?? use.provider}</th>
                  <td>{quotaText(use, book)}</td>
                  <td>{use.most}</td>
                  <Figure $over={use.together > use.most}>{use.together}</Figure>
                  <Figure $over={left < 0}>{use.peak}</Figure>
                  <Figure $over={left < 0}>{left < 0 ? `${-left} too many` : left}</Figure>
                  <td>{use.peak > 0 ? instantText(use.peakAt, zone) : ''}</td>
                </tr>
              )
            })}
          </tbody>
        </Table>
      </Scroll>
    </BenchSection>
  )
})

function quotaText({ what, of }: QuotaUse, book: PriceBook | undefined): string {
  if (!of) return NAMES[what]
  const list = of.kind === 'region' ? book?.regions : book?.families
  const name = list?.find(({ id }) => id === of.id)?.name ?? of.id
  return of.kind === 'region' ? `${NAMES[what]} in ${name}` : `${NAMES[what]} of ${name}`
}

const Scroll = styled.div`
  overflow-x: auto;
`

const Table = styled.table`
  margin-top: 4px;
  border-collapse: collapse;
  font-size: 12px;

  th,
  td {
    padding: 2px 18px 2px 0;
    text-align: right;
    font-weight: 400;
    white-space: nowrap;
  }
  th:first-child,
  th:nth-child(2),
  td:nth-child(2) {
    text-align: left;
  }
  thead th {
    color: var(--ink-2);
  }
  tbody tr {
    border-top: 1px solid var(--rule);
  }
`

const Figure = styled.td<{ readonly $over: boolean }>`
  && {
    color: ${({ $over }) => ($over ? 'var(--leak)' : 'inherit')};
    font-weight: ${({ $over }) => ($over ? 600 : 400)};
  }
`

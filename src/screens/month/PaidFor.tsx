'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { MONTH_PARTS } from '../../core/meter/monthPart.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { shownSplit } from '../../core/wholePlan/shownSplit.ts'
import { isZero, negate } from '../../core/quantity/exact.ts'
import { Term } from '../../interface/Term'
import { PART_MEANINGS, PART_NAMES } from '../../wording/monthPart'
import { formatMoney, SHOWN_DECIMALS } from '../../wording/money'
import { useLinks } from '../workbench/useLinks.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { barLength, MonthBar } from './MonthBar'

/** What the open machine's month is paid for; each part opens to its charges. */
export function PaidFor({ priced }: { readonly priced: PricedMachine }) {
  const { state, month } = useWorkbench()
  const link = useLinks()
  const { plan } = state
  const { currency, alwaysOn } = priced.estimate
  const split = useMemo(
    () => shownSplit(priced, currency, plan, month, SHOWN_DECIMALS)!,
    [priced, currency, plan, month],
  )
  const saves = split.saved.n >= 0n
  const charges = link({ view: 'ledger', ledger: { of: 'machine', fold: 'part', meters: [], states: [] } })
  return (
    <div>
      <MonthBar split={split} scale={barLength(split)} height={14} />
      <Parts>
        {MONTH_PARTS.map((part) => (
          <li key={part} data-part={isZero(split[part]) ? undefined : part}>
            <Term meaning={PART_MEANINGS[part]}>{PART_NAMES[part].toLowerCase()}</Term>{' '}
            <a
              {...charges}
              aria-label={`${PART_NAMES[part]} ${formatMoney(split[part], currency)}: its charges`}
            >
              <b>{formatMoney(split[part], currency)}</b>
            </a>
          </li>
        ))}
      </Parts>
      <Saved>
        {saves ? 'saved by switching off' : 'switching off costs more'}{' '}
        <b data-costs={!saves || undefined}>
          {formatMoney(saves ? split.saved : negate(split.saved), currency)}
        </b>
        , {saves ? 'of' : 'than'} {formatMoney(alwaysOn, currency)} always on
      </Saved>
    </div>
  )
}

const Parts = styled.ul`
  position: relative;
  display: flex;
  flex-wrap: wrap;
  gap: 0 14px;

  /* What a word means stands over the whole panel, and not beyond it. */
  li > span {
    position: static;
  }
  margin-top: 4px;
  font-size: 12px;

  a {
    text-decoration: none;
  }
  a:hover {
    text-decoration: underline;
  }
  b {
    font-weight: 600;
    white-space: nowrap;
  }
  [data-part='asked'] {
    color: var(--run);
  }
  [data-part='leak'] {
    color: var(--held-ink);
  }
`

const Saved = styled.p`
  font-size: 12px;
  color: var(--ink-2);

  b {
    font-weight: 600;
    color: var(--save);
  }
  b[data-costs] {
    color: var(--leak);
  }
`

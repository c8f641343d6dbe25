'use client'

import styled from 'styled-components'
import { MONTH_PARTS } from '../../core/meter/monthPart.ts'
import type { OverviewPart } from '../../core/wholePlan/planOverview.ts'
import { joinSplits } from '../../core/wholePlan/shownSplit.ts'
import { PART_MEANINGS, PART_NAMES } from '../../wording/monthPart'
import { formatMoney } from '../../wording/money'
import { barLength, MonthBar, PartSwatch } from '../month/MonthBar'
import { useLinks } from '../workbench/useLinks.ts'

/** The plan's month by what it is paid for: the sums of the rows below. */
export function MonthParts({ part }: { readonly part: Extract<OverviewPart, { kind: 'month' }> }) {
  const link = useLinks()
  const { currency } = part.totals
  const split = joinSplits(part.rows.flatMap((row) => (row.priced && row.shown ? [row.shown] : [])))
  const charges = link({
    view: 'ledger',
    ledger: { of: 'plan', fold: 'part', meters: [], states: [] },
  })
  return (
    <Head aria-label="What the month is paid for">
      <MonthBar split={split} scale={barLength(split)} height={18} />
      <Parts>
        {[...MONTH_PARTS, 'saved' as const].map((name) => (
          <div key={name} data-part={name}>
            <dt>
              <PartSwatch part={name} /> {name === 'saved' ? 'Saved' : PART_NAMES[name]}
            </dt>
            <dd>
              {name === 'saved' ? (
                formatMoney(split.saved, currency)
              ) : (
                <a {...charges}>{formatMoney(split[name], currency)}</a>
              )}
              <small>{PART_MEANINGS[name]}</small>
            </dd>
          </div>
        ))}
      </Parts>
    </Head>
  )
}

const Head = styled.section`
  margin-top: 8px;
`

const Parts = styled.dl`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 4px 18px;
  margin-top: 6px;

  dt {
    display: flex;
    gap: 6px;
    align-items: center;
    font-size: 12px;
    color: var(--ink-2);
  }
  dd {
    font-size: 16px;
    font-weight: 640;
  }
  [data-part='leak'] dd {
    color: var(--held-ink);
  }
  [data-part='saved'] dd {
    color: var(--save);
  }
  a {
    text-decoration: none;
  }
  a:hover {
    text-decoration: underline;
  }
  small {
    display: block;
    font-size: 11px;
    font-weight: 400;
    color: var(--ink-2);
  }
`

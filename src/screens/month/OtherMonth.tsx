'use client'

import styled from 'styled-components'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { monthElsewhere } from '../../wording/monthElsewhere'
import { useWorkbench } from '../workbench/WorkbenchContext'

/** Why hours and days at the month's edges are not the week's, where its provider's month is another. */
export function OtherMonth({ priced }: { readonly priced: PricedMachine }) {
  const { month } = useWorkbench()
  const { resolved, month: billed } = priced
  const text = monthElsewhere(month, billed, resolved.index.book.billingZone, resolved.week.timeZone)
  return text === undefined ? null : <Quiet>{text}</Quiet>
}

const Quiet = styled.p`
  font-size: 12px;
  color: var(--ink-2);
`

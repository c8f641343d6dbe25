'use client'

import { ListBox, ListBoxItem } from 'react-aria-components'
import styled from 'styled-components'
import { priceBookFor } from '../../core/catalogue/bookFor.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { Machine, Plan } from '../../core/machine/plan.ts'
import { lazyPart } from '../../interface/lazyPart'
import { Button } from '../../interface/Button'
import { media } from '../../interface/theme/media'
import { shownInPlan } from '../../core/meter/planTotals.ts'
import type { MachineSummary } from '../../core/meter/summarisePlan.ts'
import { currencySymbol, formatAmount, formatMoney, SHOWN_DECIMALS } from '../../wording/money'
import { formatHours } from '../../wording/time'
import { usePlanDialogs } from '../workbench/planDialogs.ts'
import { useSummaries, useWorkbench } from '../workbench/WorkbenchContext'
import { WeekBand } from './WeekBand'

const ROW_HEIGHT = 58
/** Rows that are drawn whether they are in view or not. */
const MOST_AT_ONCE = 60

const LongList = lazyPart(() => import('../../interface/LongList'), 'LongList')

/** All machines of the plan: what each costs this month, how long it runs, and its week. */
export function MachineList() {
  const { state, machine, go } = useWorkbench()
  const { open } = usePlanDialogs()
  const { machines } = state.plan
  const { currency } = useSummaries()
  const list = (
    <List
      aria-label="Machines"
      items={machines}
      selectionMode="single"
      selectionBehavior="replace"
      disallowEmptySelection
      selectedKeys={machine ? [machine.name] : []}
      onSelectionChange={(keys) => {
        const [name] = keys === 'all' ? [] : [...keys]
        if (name !== undefined) go({ machine: String(name) })
      }}
      renderEmptyState={() => <Empty>No machines yet</Empty>}
    >
      {renderRow}
    </List>
  )
  return (
    <Side aria-label="Machines of the plan">
      <Head>
        <h2>Machines</h2>
        <span>{currency && machines.length > 0 ? `${currencySymbol(currency)} this month` : ''}</span>
      </Head>
      {machines.length > MOST_AT_ONCE ? <LongList rowHeight={ROW_HEIGHT}>{list}</LongList> : list}
      <Foot>
        <Button onPress={() => open('add')}>Add a machine</Button>
      </Foot>
    </Side>
  )
}

const renderRow = (machine: Machine) => (
  <Row id={machine.name} textValue={machine.name}>
    <MachineCells machine={machine} />
  </Row>
)

/** Reads its own figures, so that a new answer from the worker draws only these anew. */
function MachineCells({ machine }: { readonly machine: Machine }) {
  const { state, month } = useWorkbench()
  const { plan } = state
  const { weeks } = plan
  const { byName, currency } = useSummaries()
  const summary = byName.get(machine.name)
  const week = weeks.find(({ id }) => id === machine.week)
  const book = priceBookFor(machine.provider, state.books, month)
  return (
    <>
      <Name>{machine.name}</Name>
      <Cost>
        {summary?.priced ? (
          costText(summary, currency, plan, month)
        ) : summary ? (
          <Unpriced>not priced</Unpriced>
        ) : (
          '…'
        )}
      </Cost>
      <Small>{summary?.size ?? machine.size}</Small>
      <Small $right>{summary?.priced ? formatHours(summary.onTime) : ''}</Small>
      {week && <WeekBand week={week} off={machine.off} longGaps={machine.longGaps} book={book} />}
    </>
  )
}

/** In the plan's currency by its rates; in its own, with its sign, where there is no rate. */
function costText(
  { total, currency: own }: Extract<MachineSummary, { priced: true }>,
  currency: string | undefined,
  plan: Plan,
  month: YearMonth,
): string {
  const shown =
    currency === undefined ? undefined : shownInPlan(total, own, currency, plan, month, SHOWN_DECIMALS)
  return shown ? formatAmount(shown) : formatMoney(total, own)
}

const Side = styled.nav`
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  border-right: 1px solid var(--rule);
  min-height: 0;
  ${media.narrow} {
    border-right: 0;
    border-bottom: 1px solid var(--rule);
    max-height: 260px;
  }
`

const Head = styled.div`
  display: flex;
  justify-content: space-between;
  padding: 12px 14px 8px;
  font-size: 12px;
  color: var(--ink-2);
`

const List = styled(ListBox<Machine>)`
  overflow: auto;
  outline: none;
  height: 100%;
`

const Row = styled(ListBoxItem)`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 1px 8px;
  height: ${ROW_HEIGHT}px;
  padding: 7px 14px 6px 11px;
  border-left: 3px solid transparent;
  cursor: pointer;
  align-content: start;

  &[data-hovered] {
    background: color-mix(in srgb, var(--sheet) 60%, transparent);
  }
  &[data-selected] {
    background: var(--sheet);
    border-left-color: var(--ink);
  }
  ${media.forced} {
    &:not([data-selected]) {
      border-left-color: Canvas;
    }
  }
  &[data-focus-visible] {
    outline-offset: -2px;
  }
`

const Name = styled.b`
  font-weight: 560;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
`

const Cost = styled.span`
  font-weight: 560;
  text-align: right;
`

const Small = styled.span<{ readonly $right?: boolean }>`
  font-size: 12px;
  color: var(--ink-2);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  text-align: ${({ $right }) => ($right ? 'right' : 'left')};
`

const Unpriced = styled.span`
  color: var(--leak);
`

const Empty = styled.p`
  padding: 6px 14px;
  color: var(--ink-2);
`

const Foot = styled.div`
  padding: 10px 14px;
`

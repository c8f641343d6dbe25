'use client'

import { useDeferredValue, useMemo, useState } from 'react'
import styled from 'styled-components'
import { MOST_VARIANTS } from '../../core/machine/variant.ts'
import type { Machine } from '../../core/machine/plan.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { machineIssueText } from '../../files/reading/machineIssueText.ts'
import { Button } from '../../interface/Button'
import { Tick } from '../../interface/Tick'
import { findingText } from '../../wording/finding'
import { formatDifference, formatMoney } from '../../wording/money'
import { freezeVariant, isWeekShared, keepVariant } from '../../store/variantCommands.ts'
import { Sign } from '../watch/Sign'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { variantColumns, type VariantColumn } from './columns.ts'
import { VariantHead } from './VariantHead'
import { VARIANT_ROWS } from './variantRows.ts'

/** The machine as it is beside the forms of it that were kept. */
export function VariantsScreen() {
  const { machine, result } = useWorkbench()
  return machine && result?.ok ? <SideBySide machine={machine} priced={result} /> : null
}

function SideBySide({ machine, priced }: { readonly machine: Machine; readonly priced: PricedMachine }) {
  const { session, state, pricing, month } = useWorkbench()
  const [showsAll, setShowsAll] = useState(false)
  const { currency } = priced.estimate
  const asked = useMemo(
    () => ({ machine, plan: state.plan, pricing, currency, month }),
    [machine, state.plan, pricing, currency, month],
  )
  const shown = useDeferredValue(asked)
  const columns = useMemo(
    () => variantColumns(shown.machine, shown.plan, shown.pricing, shown.currency, shown.month),
    [shown],
  )
  const kept = machine.variants?.length ?? 0
  const rows = VARIANT_ROWS.map(({ label, textOf }) => ({
    label,
    texts: columns.map((column) => (column.priced ? textOf(column.priced) : '')),
  })).filter(({ texts }) => showsAll || new Set(texts).size > 1)
  return (
    <Block aria-label="Side by side">
      <Line>
        <Button
          isDisabled={kept >= MOST_VARIANTS}
          onPress={() => session.edit(`${machine.name}: keep a variant`, keepVariant(machine.name))}
        >
          Keep it as it is now
        </Button>
        <span>
          {kept === 0
            ? 'Nothing is kept yet: keep the machine as it is, change its plates, and see both side by side.'
            : `${kept} of ${MOST_VARIANTS} kept`}
        </span>
        {kept > 0 && <Tick label="rows that do not differ too" checked={showsAll} onChange={setShowsAll} />}
      </Line>
      <Wide>
        <Table>
          <thead>
            <tr>
              <td />
              {columns.map((column) => (
                <th key={column.number ?? 'now'} scope="col">
                  <VariantHead column={column} machine={machine} />
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <tr>
              <th scope="row">a month</th>
              {columns.map((column) => (
                <td key={column.number ?? 'now'}>
                  <MonthCell column={column} now={columns[0]!} />
                </td>
              ))}
            </tr>
            <tr>
              <th scope="row">Its hours</th>
              {columns.map((column) => (
                <td key={column.number ?? 'now'}>
                  <HoursCell column={column} />
                </td>
              ))}
            </tr>
            {rows.map(({ label, texts }) => (
              <tr key={label}>
                <th scope="row">{label}</th>
                {texts.map((text, i) => (
                  <Cell key={columns[i]!.number ?? 'now'} $differs={text !== texts[0]}>
                    {text}
                  </Cell>
                ))}
              </tr>
            ))}
            <tr>
              <th scope="row">Watch list</th>
              {columns.map((column) => (
                <td key={column.number ?? 'now'}>
                  <WatchCell column={column} />
                </td>
              ))}
            </tr>
          </tbody>
        </Table>
      </Wide>
    </Block>
  )
}

function MonthCell({ column, now }: { readonly column: VariantColumn; readonly now: VariantColumn }) {
  const { priced, issues, total } = column
  if (!priced) return <Warning>{issues.map((issue) => machineIssueText(issue).problem).join(' ')}</Warning>
  const { estimate } = priced
  return (
    <>
      <Total>{formatMoney(estimate.total, estimate.currency)}</Total>
      {column !== now && total && now.total && (
        <Difference $saves={formatDifference(total, now.total).startsWith('−')}>
          {formatDifference(total, now.total)}
        </Difference>
      )}
      {column !== now && !total && <span>no exchange rate</span>}
    </>
  )
}

/** Whether a kept form changes with a week that others have too, and the press that gives it hours of its own. */
function HoursCell({ column: { number, machine } }: { readonly column: VariantColumn }) {
  const { session, state } = useWorkbench()
  const { plan } = state
  const week = plan.weeks.find(({ id }) => id === machine.week)
  if (!week) return null
  if (number === undefined) return <>“{week.name}”</>
  if (!isWeekShared(plan, machine.name, number, week.id)) return <>“{week.name}”, its own</>
  return (
    <Hours>
      <span>follows “{week.name}”, and changes with it</span>
      <Button
        onPress={() =>
          session.edit(`${machine.name}: freeze the hours of a variant`, freezeVariant(machine.name, number))
        }
      >
        Freeze its hours
      </Button>
    </Hours>
  )
}

function WatchCell({ column: { watch, priced } }: { readonly column: VariantColumn }) {
  if (!watch || !priced) return null
  if (watch.open.length === 0) return <>nothing</>
  const words = { currency: priced.estimate.currency, timeZone: priced.resolved.week.timeZone }
  return (
    <Findings>
      {watch.open.map(({ key, severity, facts }) => (
        <li key={key}>
          <Sign severity={severity} />
          <span>{findingText(facts, words)}</span>
        </li>
      ))}
    </Findings>
  )
}

const Block = styled.section`
  display: grid;
  gap: 12px;
  margin-top: 14px;
  min-width: 0;
`

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  color: var(--ink-2);
`

const Wide = styled.div`
  min-width: 0;
  overflow-x: auto;
`

const Table = styled.table`
  border-collapse: collapse;

  th,
  td {
    min-width: 150px;
    max-width: 240px;
    padding: 5px 14px 5px 0;
    text-align: left;
    vertical-align: top;
    font-weight: 400;
    border-top: 1px solid var(--rule);
  }
  thead th,
  thead td {
    border-top: 0;
  }
  tbody th,
  thead td {
    min-width: 116px;
    color: var(--ink-2);
  }
`

const Hours = styled.div`
  display: grid;
  gap: 4px;
  justify-items: start;
`

const Cell = styled.td<{ readonly $differs: boolean }>`
  && {
    font-weight: ${({ $differs }) => ($differs ? 620 : 400)};
    background: ${({ $differs }) => ($differs ? 'var(--paper)' : 'none')};
  }
`

const Total = styled.b`
  font-size: 16px;
  font-weight: 640;
  margin-right: 8px;
`

const Difference = styled.span<{ readonly $saves: boolean }>`
  font-weight: 600;
  color: ${({ $saves }) => ($saves ? 'var(--save)' : 'var(--ink)')};
`

const Warning = styled.span`
  color: var(--leak);
`

const Findings = styled.ul`
  display: grid;
  gap: 4px;
  font-size: 12px;

  li {
    display: flex;
    gap: 5px;
  }
`

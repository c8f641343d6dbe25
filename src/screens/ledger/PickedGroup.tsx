'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import { sumsOf } from '../../core/ledger/foldLedger.ts'
import type { Ledger } from '../../core/ledger/ledger.ts'
import type { PlanLedger } from '../../core/ledger/planLedger.ts'
import { chargeArithmetic, chargeRules } from '../../wording/arithmetic'
import { chargeDetail, chargeRounding, chargeTitle } from '../../wording/charge'
import { ChargeRate } from './ChargeRate'
import { CopyButton } from './CopyButton'
import { Figure, Small } from './explanation.styles'
import { sumText } from './sumText.ts'

/** More lines than this are a list to scroll past, not an explanation. */
const MOST_LINES = 40

interface PickedGroupProps {
  readonly answer: PlanLedger
  readonly title: string
  readonly rows: Uint32Array
  readonly timeZone: string
}

interface GroupLine {
  readonly line: Ledger['lines'][number]
  readonly shown: number
  readonly ticks: number
}

/** What a group is made of: each line with its arithmetic; a single line with its rate in the book as well. */
export function PickedGroup({ answer, title, rows, timeZone }: PickedGroupProps) {
  const { ledger } = answer
  const lines = useMemo(() => linesOf(ledger, rows), [ledger, rows])
  const single = lines.length === 1 ? lines[0] : undefined
  const several = new Set(lines.map(({ line }) => line.machine)).size > 1
  const total = sumText(sumsOf(ledger, rows), ledger)
  const text = [
    `${title}: ${total}`,
    ...lines.map(
      (each) => `${nameOf(ledger, each, several)}, ${shownOf(ledger, each)}: ${arithmeticOf(each)}`,
    ),
  ].join('\n')
  return (
    <>
      <h2>{title}</h2>
      <Figure data-testid="picked-amount">{total}</Figure>
      {single ? (
        <>
          <Small>{chargeDetail(single.line.charge)}</Small>
          <p data-testid="picked-arithmetic">{arithmeticOf(single)}</p>
          {chargeRules(single.line.charge, timeZone).map((rule) => (
            <p key={rule}>{rule}</p>
          ))}
          {chargeRounding(single.line.charge) && <Small>{chargeRounding(single.line.charge)}</Small>}
          <ChargeRate answer={answer} line={single.line} />
        </>
      ) : (
        <Lines>
          {lines.slice(0, MOST_LINES).map((each, i) => (
            <li key={i}>
              <Line>
                <b>{nameOf(ledger, each, several)}</b>
                <b>{shownOf(ledger, each)}</b>
              </Line>
              <Small>{chargeDetail(each.line.charge)}</Small>
              <p>{arithmeticOf(each)}</p>
            </li>
          ))}
          {lines.length > MOST_LINES && <li>and {lines.length - MOST_LINES} more lines</li>}
        </Lines>
      )}
      <CopyButton text={text} />
    </>
  )
}

function linesOf(ledger: Ledger, rows: Uint32Array): GroupLine[] {
  const sums = new Map<number, { shown: number; ticks: number }>()
  for (const row of rows) {
    const sum = sums.get(ledger.line[row]!) ?? { shown: 0, ticks: 0 }
    sum.shown += ledger.shown[row]!
    sum.ticks += ledger.ticks[row]!
    sums.set(ledger.line[row]!, sum)
  }
  return [...sums].sort(([a], [b]) => a - b).map(([line, sum]) => ({ line: ledger.lines[line]!, ...sum }))
}

const arithmeticOf = ({ line, ticks }: GroupLine): string => chargeArithmetic(line.charge, ticks)

const nameOf = ({ machines }: Ledger, { line }: GroupLine, several: boolean): string =>
  several ? `${machines[line.machine]!.name}: ${chargeTitle(line.charge)}` : chargeTitle(line.charge)

const shownOf = (ledger: Ledger, { line, shown }: GroupLine): string =>
  sumText(new Map([[ledger.machines[line.machine]!.currency, shown]]), ledger)

const Lines = styled.ul`
  display: grid;
  gap: 9px;
`

const Line = styled.div`
  display: flex;
  justify-content: space-between;
  gap: 10px;

  b:last-child {
    white-space: nowrap;
  }
`

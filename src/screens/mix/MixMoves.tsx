'use client'

import styled from 'styled-components'
import type { MixAnswer, PlanMix } from '../../core/market/planMix.ts'
import { sign, ZERO } from '../../core/quantity/exact.ts'
import { Button } from '../../interface/Button'
import { replaceMachines } from '../../store/commands.ts'
import { lossesText } from '../../wording/loss'
import { formatAmount, formatDifference, formatMoney } from '../../wording/money'
import { mixPlacesText } from './mixPlaces.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'

interface MixMovesProps {
  readonly mix: PlanMix
  readonly answer: MixAnswer
  readonly isStale: boolean
}

/** The best mix: what it costs, every machine that moves for it, and what each gives up; taken at a press. */
export function MixMoves({ mix, answer, isStale }: MixMovesProps) {
  const { session, go } = useWorkbench()
  const { currency, now } = answer
  const isThis = mix.moves.length === 0
  return (
    <section aria-label="The best mix" data-testid="mix">
      <Head>
        <p>
          <Total>{formatMoney(mix.total, currency)}</Total> a month, {formatDifference(mix.total, now)} from
          now: {mixPlacesText(mix.places)}.
        </p>
        {!isThis && (
          <Button
            isDisabled={isStale}
            onPress={() =>
              session.edit('the best mix of places', replaceMachines(mix.moves.map(({ row }) => row.machine)))
            }
          >
            Take all {mix.moves.length} changes
          </Button>
        )}
      </Head>
      {isThis && <p>It is this plan: nothing cheaper was found at so few providers and places.</p>}
      {!isThis && (
        <Wide>
          <Table>
            <thead>
              <tr>
                <th scope="col">Machine</th>
                <th scope="col">would be</th>
                <Figure as="th" scope="col">
                  a month in {currency}
                </Figure>
                <Figure as="th" scope="col">
                  from now
                </Figure>
                <th scope="col">gives up</th>
              </tr>
            </thead>
            <tbody>
              {mix.moves.map(({ name, row, before, after, inBook, losses }) => (
                <tr key={name}>
                  <th scope="row">
                    <Link
                      onPress={() => go({ view: 'market', machine: name })}
                      aria-label={`${name}: look at its market`}
                    >
                      {name}
                    </Link>
                  </th>
                  <td>
                    {row.size}, {row.terms.toLowerCase()}, {row.provider} {row.place} {row.machine.zone}
                    {row.assumed > 0 && `, ${row.assumed} answers assumed`}
                  </td>
                  <Figure>
                    {after ? formatAmount(after) : 'no rate'}
                    {inBook && inBook.currency !== currency && (
                      <small>{formatMoney(inBook.total, inBook.currency)}</small>
                    )}
                  </Figure>
                  <Figure>{before && after ? formatDifference(after, before) : '–'}</Figure>
                  <td>{lossesText(losses)}</td>
                </tr>
              ))}
              {sign(mix.stayDifference) !== 0 && (
                <tr>
                  <th scope="row">All others</th>
                  <td>as they are, with more or less of what is shared</td>
                  <td />
                  <Figure>{formatDifference(mix.stayDifference, ZERO)}</Figure>
                  <td />
                </tr>
              )}
            </tbody>
          </Table>
        </Wide>
      )}
      {mix.stay.length > 0 && <Note>As they are: {mix.stay.join(', ')}.</Note>}
      <Note>
        Every figure is of the plan priced anew with all of it taken, in {currency} by the plan’s rates.
        {!mix.isExact &&
          ' Machines share free allowances, and not every way to share them was looked at: something cheaper may be possible.'}
      </Note>
    </section>
  )
}

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  margin-bottom: 8px;
`

const Total = styled.b`
  font-size: 20px;
`

const Wide = styled.div`
  overflow-x: auto;
`

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;

  th,
  td {
    padding: 4px 12px 4px 0;
    border-top: 1px solid var(--rule);
    text-align: left;
    vertical-align: baseline;
    font-weight: 400;
  }
  thead th {
    border-top: 0;
    font-size: 12px;
    color: var(--ink-2);
  }
`

const Figure = styled.td`
  text-align: right !important;
  white-space: nowrap;
  font-weight: 620 !important;

  small {
    display: block;
    font-weight: 400;
    color: var(--ink-2);
  }
`

const Link = styled(Button)`
  border: 0;
  padding: 0 4px;
  margin-left: -4px;
  background: none;
  text-decoration: underline;
`

const Note = styled.p`
  margin-top: 8px;
  font-size: 12px;
  color: var(--ink-2);
`

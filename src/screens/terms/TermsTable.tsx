'use client'

import styled from 'styled-components'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { divide, exact, type Exact } from '../../core/quantity/exact.ts'
import { toDecimal } from '../../core/quantity/decimal.ts'
import { lengthOf, SECONDS_PER_HOUR } from '../../core/quantity/units.ts'
import type { TermsComparison, TermsOffer } from '../../core/terms/compareTerms.ts'
import { Button } from '../../interface/Button'
import { currencySymbol, formatAmount } from '../../wording/money'
import { reasonsText } from '../../wording/reason'
import { formatHours } from '../../wording/time'
import { setMachine } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { lineDash } from './lineDash.ts'
import { groupDigits } from '../../wording/number'

interface TermsTableProps {
  readonly comparison: TermsComparison
  readonly priced: PricedMachine
}

/** Every way to pay for the size: the month, from when on it pays, what is paid now. */
export function TermsTable({ comparison, priced }: TermsTableProps) {
  const { session } = useWorkbench()
  const { machine } = priced.resolved
  const { currency } = priced.estimate
  const { offers, scheduled } = comparison
  const reference = offers[0]!.terms.name
  return (
    <Wide>
      <Table>
        <thead>
          <tr>
            <th scope="col">Terms</th>
            <Right scope="col">{currencySymbol(currency)} a month</Right>
            <Right scope="col">pays from</Right>
            <Right scope="col">taken</Right>
          </tr>
        </thead>
        <tbody>
          {offers.map((offer, at) => (
            <Row key={offer.terms.id} $present={offer.isPresent}>
              <th scope="row">
                <Sample at={at} /> {offer.terms.name}
                <Note>{noteOf(offer, currency)}</Note>
              </th>
              <Right as="td" data-testid={`terms-${offer.terms.id}`}>
                {offer.total ? formatAmount(offer.total) : 'no price'}
              </Right>
              <Right as="td">{paysText(offer, comparison, at, reference)}</Right>
              <Right as="td">
                {offer.isPresent ? (
                  'now'
                ) : (
                  <Button
                    aria-label={`Take the terms ${offer.terms.name}`}
                    isDisabled={offer.reasons.length > 0}
                    onPress={() =>
                      session.edit(
                        `${machine.name}: ${offer.terms.name}`,
                        setMachine(machine.name, { terms: offer.terms.id }),
                      )
                    }
                  >
                    Take
                  </Button>
                )}
              </Right>
            </Row>
          ))}
        </tbody>
      </Table>
      <Note>
        This machine is charged for {formatHours(scheduled)} of {formatHours(lengthOf(comparison.month))}
        {offers.some(({ terms }) => terms.kind === 'commitment') && belowText(comparison)}. The months above
        include its disks, address and licences.
      </Note>
    </Wide>
  )
}

/** A scheduled machine is usually below what a commitment needs: it is said. */
function belowText({ offers, scheduled }: TermsComparison): string {
  const pays = offers.filter(
    ({ terms, paysFrom }) =>
      terms.kind === 'commitment' &&
      paysFrom !== undefined &&
      hoursOf(paysFrom) * SECONDS_PER_HOUR <= scheduled,
  )
  if (pays.length > 0) return `: enough for ${pays.map(({ terms }) => terms.name).join(' and ')}`
  return ': too few for any commitment to pay'
}

const hoursOf = (seconds: Exact): number => Number(toDecimal(divide(seconds, exact(SECONDS_PER_HOUR)), 4))

function paysText(
  { paysFrom }: TermsOffer,
  { month }: TermsComparison,
  at: number,
  reference: string,
): string {
  if (at === 0) return ''
  if (paysFrom === undefined) return 'never'
  if (paysFrom.n === 0n) return `always, against ${reference.toLowerCase()}`
  const hours = toDecimal(divide(paysFrom, exact(SECONDS_PER_HOUR)), 1)
  const share = toDecimal(divide({ n: paysFrom.n * 100n, d: paysFrom.d }, exact(lengthOf(month))), 0)
  return `${groupDigits(hours)} h, ${share} %`
}

function noteOf({ terms, upFront, interruption, reasons }: TermsOffer, currency: string): string {
  if (reasons.length > 0) return `closed: ${reasonsText(reasons)}`
  switch (terms.kind) {
    case 'spot':
      return `may be taken away: ${interruption ?? terms.interruption}`
    case 'commitment':
      return upFront
        ? `${currencySymbol(currency)} ${groupDigits(upFront.text)} now, for ${terms.months} months`
        : `for ${terms.months} months, on or off`
    case 'flat':
      return terms.capHours === undefined
        ? 'while the machine exists'
        : `while it exists, at most ${terms.capHours} h a month`
    case 'on-demand':
      return 'for what runs'
  }
}

const Sample = ({ at }: { readonly at: number }) => (
  <svg width="26" height="8" aria-hidden="true">
    <path d="M0 4h26" stroke="var(--ink)" strokeWidth="1.6" strokeDasharray={lineDash(at)} fill="none" />
  </svg>
)

const Wide = styled.div`
  min-width: 0;
  overflow-x: auto;
`

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;

  th {
    text-align: left;
    font-weight: 400;
  }
  th:first-child {
    padding-left: 0 !important;
  }
  thead th {
    font-size: 12px;
    color: var(--ink-2);
    padding: 0 0 4px 10px;
  }
  td,
  tbody th {
    padding: 5px 0 5px 10px;
    border-top: 1px solid var(--rule);
    vertical-align: top;
  }
`

const Row = styled.tr<{ readonly $present: boolean }>`
  th,
  td {
    font-weight: ${({ $present }) => ($present ? 600 : 400)} !important;
  }
`

const Right = styled.th`
  text-align: right !important;
  white-space: nowrap;
`

const Note = styled.span`
  display: block;
  font-size: 12px;
  font-weight: 400;
  color: var(--ink-2);
`

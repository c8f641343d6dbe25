'use client'

import { useMemo } from 'react'
import styled from 'styled-components'
import type { OfferRow } from '../../core/market/offerRow.ts'
import { MOST_VARIANTS } from '../../core/machine/variant.ts'
import { resolveMachine } from '../../core/machine/resolveMachine.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { pricedProvider } from '../../core/notches/pricedProvider.ts'
import { ZERO } from '../../core/quantity/exact.ts'
import { roundParts } from '../../core/quantity/roundParts.ts'
import { partsOf, priceProposal } from '../../core/search/proposal.ts'
import { losses } from '../../core/wholePlan/losses.ts'
import { Button } from '../../interface/Button'
import { replaceMachine } from '../../store/commands.ts'
import { keepFormAsVariant } from '../../store/variantCommands.ts'
import { forcedChangeText } from '../../wording/forcedChange'
import { lossesText } from '../../wording/loss'
import { formatDifference, formatMoney, SHOWN_DECIMALS, signedDecimal } from '../../wording/money'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { offerPlace } from './offerText.ts'

interface OfferDetailProps {
  readonly row: OfferRow
  readonly priced: PricedMachine
}

/** One offer: what it costs, what taking it changes and what each change costs, and what is given up. */
export function OfferDetail({ row, priced }: OfferDetailProps) {
  const { session, state, pricing } = useWorkbench()
  const { plan } = state
  const { resolved, month, account, estimate } = priced
  const { machine } = resolved
  const { currency } = estimate
  const inputs = useMemo(
    () => ({ resolved, plan, month, shared: account.planned, elsewhere: pricing.elsewhere(resolved.index) }),
    [resolved, plan, month, account, pricing],
  )
  const proposal = useMemo(
    () => priceProposal(inputs, row.machine, new Set(partsOf(inputs, row.machine))),
    [inputs, row],
  )
  const lost = useMemo(() => {
    const seller = pricedProvider(inputs, row.machine.provider)
    const then = seller && resolveMachine(row.machine, plan, seller.index)
    return then?.ok ? losses(resolved, then.value) : []
  }, [inputs, row, plan, resolved])
  const { parts, total } = roundParts(
    proposal.steps.map(({ cost }) => cost ?? ZERO),
    SHOWN_DECIMALS,
    proposal.present,
  )
  const isPresent = proposal.steps.length === 0
  const name = `${row.size} in ${row.place}`
  return (
    <Detail aria-label="The offer looked at" data-testid="offer">
      <Title>
        <span>
          <b>{row.size}</b>, {offerPlace(row)}
        </span>
        <b>{formatDifference(row.total, estimate.total)}</b>
      </Title>
      <p>
        {formatMoney(row.total, currency)} a month, {row.terms.toLowerCase()}; priced by {row.provider}{' '}
        {row.edition}
        {row.assumed > 0 && `, where ${row.assumed} answers are assumed`}.
      </p>
      {isPresent ? (
        <p>It is this one.</p>
      ) : (
        <>
          <Changes>
            <tbody>
              {proposal.steps.map((step, at) => (
                <tr key={step.part}>
                  <td>
                    {step.changes.length === 0
                      ? 'Provider and place'
                      : step.changes.map((change) => (
                          <div key={forcedChangeText(change)}>{forcedChangeText(change)}</div>
                        ))}
                  </td>
                  <td>{step.cost ? signedDecimal(parts[at]!) : 'with the next'}</td>
                </tr>
              ))}
              <tr>
                <th scope="row">together</th>
                <td>{signedDecimal(total)}</td>
              </tr>
            </tbody>
          </Changes>
          {lost.length > 0 && (
            <p>
              <b>Gives up:</b> {lossesText(lost)}.
            </p>
          )}
          <Buttons>
            <Button
              onPress={() =>
                session.edit(`${machine.name}: ${name}`, replaceMachine(machine.name, row.machine))
              }
            >
              Take it
            </Button>
            <Button
              isDisabled={(machine.variants?.length ?? 0) >= MOST_VARIANTS}
              onPress={() =>
                session.edit(
                  `${machine.name}: keep ${name}`,
                  keepFormAsVariant(machine.name, name, row.machine),
                )
              }
            >
              Keep as variant
            </Button>
          </Buttons>
        </>
      )}
    </Detail>
  )
}

const Detail = styled.section`
  display: grid;
  gap: 6px;
  padding: 8px 10px;
  background: var(--paper);
  border: 1px solid var(--rule);
  font-size: 12px;
`

const Title = styled.h2`
  display: flex;
  justify-content: space-between;
  gap: 10px;
  font-weight: 400;
  font-size: 13px;
`

const Changes = styled.table`
  width: 100%;
  border-collapse: collapse;

  td,
  th {
    padding: 3px 0;
    border-top: 1px solid var(--rule);
    text-align: left;
    vertical-align: baseline;
  }
  td:last-child {
    padding-left: 10px;
    text-align: right;
    white-space: nowrap;
    font-weight: 620;
  }
`

const Buttons = styled.div`
  display: flex;
  gap: 8px;
`

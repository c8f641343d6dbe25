'use client'

import { Button as AriaButton, Disclosure, DisclosurePanel } from 'react-aria-components'
import styled from 'styled-components'
import type { Charge } from '../../core/meter/charge.ts'
import type { Estimate } from '../../core/meter/estimateMachine.ts'
import { roundParts } from '../../core/quantity/roundParts.ts'
import { media } from '../../interface/theme/media'
import { chargeArithmetic, chargeRules } from '../../wording/arithmetic'
import { chargeDetail, chargeRounding, chargeTitle } from '../../wording/charge'
import { groupDigits } from '../../wording/number'

interface MonthLinesProps {
  readonly estimate: Estimate
  readonly provider: string
  /** In which instants are told. */
  readonly timeZone: string
}

/** Every line of the month. Shown cents add up to the shown total; each line opens to its arithmetic and its rate. */
export function MonthLines({ estimate, provider, timeZone }: MonthLinesProps) {
  const { parts } = roundParts(
    estimate.charges.map(({ amount }) => amount),
    2,
  )
  return (
    <Lines>
      {estimate.charges.map((charge, i) => (
        <li key={`${charge.meter} ${chargeTitle(charge)}`}>
          <Line charge={charge} shown={parts[i]!} provider={provider} timeZone={timeZone} />
        </li>
      ))}
    </Lines>
  )
}

function Line({
  charge,
  shown,
  provider,
  timeZone,
}: {
  readonly charge: Charge
  readonly shown: string
  readonly provider: string
  readonly timeZone: string
}) {
  const rounding = chargeRounding(charge)
  return (
    <Disclosure>
      <Opener slot="trigger">
        <Title>{chargeTitle(charge)}</Title>
        <span data-testid="line-amount">{groupDigits(shown)}</span>
        <Detail>{chargeDetail(charge)}</Detail>
      </Opener>
      <DisclosurePanel>
        <Arithmetic>
          <p>{chargeArithmetic(charge)}</p>
          {chargeRules(charge, timeZone).map((rule) => (
            <p key={rule}>{rule}</p>
          ))}
          {rounding && <p>{rounding}</p>}
          <p>
            Rate in the {provider} book at <code>{charge.rate.pointer}</code>
          </p>
        </Arithmetic>
      </DisclosurePanel>
    </Disclosure>
  )
}

const Lines = styled.ul`
  display: grid;
  gap: 2px;
`

const Opener = styled(AriaButton)`
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 8px;
  width: 100%;
  padding: 2px 0;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;

  &[data-hovered] {
    text-decoration: underline dotted;
    text-underline-offset: 3px;
  }
  ${media.coarse} {
    min-height: 44px;
  }
`

const Title = styled.span``

const Detail = styled.span`
  grid-column: 1 / -1;
  font-size: 12px;
  color: var(--ink-2);
`

const Arithmetic = styled.div`
  display: grid;
  gap: 4px;
  margin: 3px 0 6px;
  padding: 6px 8px;
  border-left: 2px solid var(--plate-edge);
  background: var(--sheet);
  font-size: 12px;
  overflow-wrap: anywhere;
`

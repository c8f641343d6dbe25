'use client'

import { useMemo, useState } from 'react'
import styled from 'styled-components'
import type { Machine } from '../../core/machine/plan.ts'
import { ZERO } from '../../core/quantity/exact.ts'
import { roundParts } from '../../core/quantity/roundParts.ts'
import { partsOf, priceProposal, type ProposalStep, type ProposedPart } from '../../core/search/proposal.ts'
import { Button } from '../../interface/Button'
import { Tick } from '../../interface/Tick'
import { forcedChangeText } from '../../wording/forcedChange'
import { lossesText } from '../../wording/loss'
import { SHOWN_DECIMALS, signedDecimal } from '../../wording/money'
import { reasonsText } from '../../wording/reason'
import { replaceMachine } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import type { PlatesInputs } from '../../core/notches/plate.ts'

interface ProposalProps {
  readonly inputs: PlatesInputs
  readonly proposed: Machine
  readonly onClose: () => void
}

const PART_NAMES = {
  place: 'Place',
  size: 'Size',
  image: 'Image',
  disk: 'System disk',
  terms: 'Terms',
  off: 'When off',
} as const satisfies Record<ProposedPart, string>

/** What would change, and each change's share of the saving; any of them can be left out. */
export function Proposal({ inputs, proposed, onClose }: ProposalProps) {
  const { session } = useWorkbench()
  const { machine } = inputs.resolved
  const parts = useMemo(() => partsOf(inputs, proposed), [inputs, proposed])
  const [left, setLeft] = useState<ReadonlySet<ProposedPart>>(new Set())
  const taken = useMemo(() => new Set(parts.filter((part) => !left.has(part))), [parts, left])
  const whole = useMemo(() => priceProposal(inputs, proposed, new Set(parts)), [inputs, proposed, parts])
  const priced = useMemo(() => priceProposal(inputs, proposed, taken), [inputs, proposed, taken])
  const { parts: shares, total } = roundParts(
    priced.steps.map(({ cost }) => cost ?? ZERO),
    SHOWN_DECIMALS,
    priced.present,
  )
  if (parts.length === 0) return <p>It is this one: nothing cheaper fits. What is pinned was not changed.</p>
  const fits = priced.difference !== undefined && priced.reasons.length === 0
  const movesProvider = proposed.provider !== machine.provider
  const providers = `Provider: ${providerName(inputs, proposed)} in place of ${inputs.resolved.index.book.provider.name}`
  return (
    <>
      <Table>
        <tbody>
          {whole.steps.map((step) => {
            const at = priced.steps.findIndex(({ part }) => part === step.part)
            const own = priced.steps[at]
            return (
              <tr key={step.part}>
                <td>
                  <Tick
                    label={PART_NAMES[step.part]}
                    checked={!left.has(step.part)}
                    onChange={(isTaken) =>
                      setLeft((before) => {
                        const after = new Set(before)
                        if (isTaken) after.delete(step.part)
                        else after.add(step.part)
                        return after
                      })
                    }
                  />
                </td>
                <td>
                  <StepText
                    step={step}
                    first={step.part === 'place' && movesProvider ? providers : undefined}
                  />
                </td>
                <Cost>{own ? (own.cost ? signedDecimal(shares[at]!) : 'with the next') : 'left'}</Cost>
              </tr>
            )
          })}
          <Sum>
            <td colSpan={2}>together, a month</td>
            <Cost data-testid="proposal-total">{priced.difference ? signedDecimal(total) : 'no price'}</Cost>
          </Sum>
        </tbody>
      </Table>
      {priced.reasons.length > 0 && (
        <Warning role="alert">These do not fit together: {reasonsText(priced.reasons)}.</Warning>
      )}
      {!priced.difference && <Warning role="alert">These are not sold together.</Warning>}
      <Line>
        <Button
          autoFocus
          isDisabled={!fits || taken.size === 0}
          onPress={() => {
            session.edit(
              `${machine.name}: the cheapest that fits`,
              replaceMachine(machine.name, priced.machine),
            )
            onClose()
          }}
        >
          {taken.size === parts.length ? 'Take all' : `Take ${taken.size} of ${parts.length}`}
        </Button>
        <Button onPress={onClose}>Leave it</Button>
      </Line>
    </>
  )
}

/** Every change on its line, and under them what is given up. */
function StepText({ step, first }: { readonly step: ProposalStep; readonly first?: string | undefined }) {
  const { changes, losses } = step
  return (
    <>
      {[...(first ? [first] : []), ...changes.map(forcedChangeText)].map((text) => (
        <div key={text}>{text}</div>
      ))}
      {losses.length > 0 && <GivenUp>gives up: {lossesText(losses)}</GivenUp>}
    </>
  )
}

const providerName = ({ resolved, elsewhere = [] }: PlatesInputs, { provider }: Machine): string =>
  [resolved.index, ...elsewhere.map(({ index }) => index)].find(({ book }) => book.provider.id === provider)
    ?.book.provider.name ?? provider

const GivenUp = styled.small`
  display: block;
  color: var(--ink-2);
`

const Table = styled.table`
  border-collapse: collapse;

  td {
    padding: 2px 10px 2px 0;
    vertical-align: baseline;
  }
`

const Cost = styled.td`
  padding-right: 0 !important;
  text-align: right;
  white-space: nowrap;
`

const Sum = styled.tr`
  font-weight: 620;

  td {
    border-top: 1px solid var(--ink);
  }
`

const Warning = styled.p`
  color: var(--leak);
`

const Line = styled.div`
  display: flex;
  gap: 8px;
`

'use client'

import { useMemo, type RefObject } from 'react'
import { Dialog, Heading } from 'react-aria-components'
import styled from 'styled-components'
import { forcedCosts, type ForcedCosts } from '../../core/notches/forcedCosts.ts'
import { mendLettingGo, mendNotch } from '../../core/notches/mendNotch.ts'
import { ZERO } from '../../core/quantity/exact.ts'
import { roundParts } from '../../core/quantity/roundParts.ts'
import { losses } from '../../core/wholePlan/losses.ts'
import { Button } from '../../interface/Button'
import { Popover } from '../../interface/Popover'
import type { ChoiceWords } from '../../wording/choice'
import { forcedChangeText } from '../../wording/forcedChange'
import { lossesText } from '../../wording/loss'
import { signedDecimal, SHOWN_DECIMALS } from '../../wording/money'
import { reasonsText } from '../../wording/reason'
import type { Carried, Notch, PlatesInputs } from '../../core/notches/plate.ts'

interface AskedChoiceProps {
  readonly notch: Notch
  readonly inputs: PlatesInputs
  readonly words: ChoiceWords
  readonly anchor: RefObject<HTMLElement | null>
  readonly onTake: (carried: Carried) => void
  readonly onClose: () => void
}

/** A choice that does not fit by itself: why, what else it would change, and what each of that costs. */
export function AskedChoice({ notch, inputs, words, anchor, onTake, onClose }: AskedChoiceProps) {
  const mended = useMemo(() => mendNotch(inputs, notch), [inputs, notch])
  const letGo = useMemo(() => (mended ? undefined : mendLettingGo(inputs, notch)), [inputs, notch, mended])
  const carried = mended ?? letGo
  const costs = useMemo(() => carried && forcedCosts(inputs, carried), [inputs, carried])
  return (
    <Popover triggerRef={anchor} isOpen onOpenChange={(open) => !open && onClose()} placement="bottom">
      <Sheet>
        <Title slot="title">{words.name}</Title>
        {notch.reasons.length > 0 && <p>Closed: {reasonsText(notch.reasons)}.</p>}
        {carried ? (
          <>
            {letGo && (
              <p>
                <b>Gives up:</b> {lossesText(losses(inputs.resolved, letGo.resolved))}.
              </p>
            )}
            {carried.changes.length > 0 && (
              <p>{notch.reasons.length > 0 ? 'It fits with these changes:' : 'It brings these changes:'}</p>
            )}
            {costs && <Costs costs={costs} own={words.name} />}
            <Line>
              <Button autoFocus onPress={() => onTake(carried)}>
                {letGo ? 'Take it all the same' : 'Take it'}
              </Button>
              <Button onPress={onClose}>Leave it</Button>
            </Line>
          </>
        ) : (
          <>
            <p role="status">No change of the other plates that are not pinned would mend this.</p>
            <Line>
              <Button autoFocus onPress={onClose}>
                Leave it
              </Button>
            </Line>
          </>
        )}
      </Sheet>
    </Popover>
  )
}

/** Lines add up to the difference as it is shown. */
function Costs({ costs, own }: { readonly costs: ForcedCosts; readonly own: string }) {
  const amounts = [...costs.changes.map(({ cost }) => cost ?? ZERO), costs.own]
  const { parts, total } = roundParts(amounts, SHOWN_DECIMALS, costs.present)
  return (
    <Table>
      <tbody>
        {costs.changes.map(({ change, cost }, i) => (
          <tr key={i}>
            <td>{forcedChangeText(change)}</td>
            <Cost>{cost ? signedDecimal(parts[i]!) : 'with the size'}</Cost>
          </tr>
        ))}
        <tr>
          <td>{own} itself</td>
          <Cost>{signedDecimal(parts.at(-1)!)}</Cost>
        </tr>
        <Sum>
          <td>together, a month</td>
          <Cost>{signedDecimal(total)}</Cost>
        </Sum>
      </tbody>
    </Table>
  )
}

const Sheet = styled(Dialog)`
  display: grid;
  gap: 7px;
  width: min(440px, 92vw);
  padding: 12px 14px;
  outline: none;
`

const Title = styled(Heading)`
  font-size: 13px;
  font-weight: 640;
  color: var(--ink);
`

const Table = styled.table`
  border-collapse: collapse;

  td {
    padding: 2px 0;
    vertical-align: top;
  }
`

const Cost = styled.td`
  padding-left: 14px !important;
  text-align: right;
  white-space: nowrap;
`

const Sum = styled.tr`
  font-weight: 620;

  td {
    border-top: 1px solid var(--ink);
  }
`

const Line = styled.div`
  display: flex;
  gap: 8px;
`

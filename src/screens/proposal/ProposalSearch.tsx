'use client'

import styled from 'styled-components'
import type { PlatesInputs } from '../../core/notches/plate.ts'
import { searchLeavesOut } from '../../core/search/cheapestFit.ts'
import { Button } from '../../interface/Button'
import { Progress } from '../../interface/Progress'
import { leftOutText } from '../../wording/leftOut'
import { IMAGE_NEED_NAMES } from '../../wording/needs'
import { Proposal } from './Proposal'
import { useSearch } from './useSearch'

const STARTING = { done: 0, of: 1 }

/** Searches all regions while it is open, and shows what was found. */
export function ProposalSearch({
  inputs,
  onClose,
}: {
  readonly inputs: PlatesInputs
  readonly onClose: () => void
}) {
  const { machine } = inputs.resolved
  const search = useSearch(machine)
  if (search.failure) {
    return (
      <p role="alert">
        {search.failure} <Button onPress={search.again}>Try again</Button>
      </p>
    )
  }
  if (!search.answer || search.isStale) {
    return (
      <>
        <Progress label="Searching all regions" {...(search.step ?? STARTING)} />
        <Line>
          <Button autoFocus onPress={onClose}>
            Give up
          </Button>
        </Line>
      </>
    )
  }
  const [found] = search.answer
  return (
    <>
      {found ? (
        <Proposal inputs={inputs} proposed={found.machine} onClose={onClose} />
      ) : (
        <p>Nothing in any price book has all that {machine.name} needs. Ask for less under All needs.</p>
      )}
      <LeftOutNote inputs={inputs} />
    </>
  )
}

/** What was searched, and what not and why. */
function LeftOutNote({ inputs }: { readonly inputs: PlatesInputs }) {
  const { needs } = inputs.resolved.machine
  const left = searchLeavesOut(inputs)
  return (
    <Note>
      {needs.image === undefined
        ? 'With this image, or one akin to it: under All needs another may do.'
        : `With ${IMAGE_NEED_NAMES[needs.image]}.`}{' '}
      The system disk has the room that image, memory image and needs ask for.
      {left.length > 0 && ` Left out: ${left.map(leftOutText).join('; ')}.`}
    </Note>
  )
}

const Note = styled.p`
  font-size: 12px;
  color: var(--ink-2);
`

const Line = styled.div`
  display: flex;
  gap: 8px;
`

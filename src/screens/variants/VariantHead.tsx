'use client'

import styled from 'styled-components'
import type { Machine } from '../../core/machine/plan.ts'
import { Button } from '../../interface/Button'
import { TextInput } from '../../interface/TextInput'
import { dropVariant, renameVariant, takeVariant } from '../../store/variantCommands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import type { VariantColumn } from './columns.ts'

interface VariantHeadProps {
  readonly column: VariantColumn
  readonly machine: Machine
}

const MOST_NAME = 60

/** A variant's number and name, and what can be done with it. */
export function VariantHead({ column: { number, name }, machine }: VariantHeadProps) {
  const { session } = useWorkbench()
  if (number === undefined) return <b>{name}</b>
  const edit = (what: string, recipe: ReturnType<typeof dropVariant>): void =>
    session.edit(`${machine.name}: ${what} ${name}`, recipe)
  return (
    <Stack>
      <Line>
        <b>{number}</b>
        <TextInput
          label={`Name of variant ${number}`}
          value={name}
          check={(text) =>
            text.trim() === '' || text.length > MOST_NAME ? `A name of 1 to ${MOST_NAME} letters.` : undefined
          }
          onCommit={(text) => edit('rename', renameVariant(machine.name, number, text))}
        />
      </Line>
      <Line>
        <Button
          aria-label={`Take over ${name}`}
          onPress={() => edit('take over', takeVariant(machine.name, number))}
        >
          Take over
        </Button>
        <Button
          aria-label={`Delete ${name}`}
          onPress={() => edit('delete', dropVariant(machine.name, number))}
        >
          Drop
        </Button>
      </Line>
    </Stack>
  )
}

const Stack = styled.div`
  display: grid;
  gap: 5px;
`

const Line = styled.div`
  display: flex;
  gap: 6px;
  align-items: center;

  input {
    width: 120px;
  }
`

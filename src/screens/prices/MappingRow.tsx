'use client'

import type { ReactNode } from 'react'
import styled from 'styled-components'
import type { MappingQuestion } from '../../core/pricelist/listMapping.ts'
import { AssumedMark } from './AssumedMark'
import type { MappingEdit } from './useMapping.ts'

interface MappingRowProps {
  readonly name: string
  /** Whether its answer was only proposed is shown beside it. */
  readonly question?: MappingQuestion
  readonly edit: Pick<MappingEdit, 'unsure' | 'confirm'>
  readonly children: ReactNode
}

/** One question about a list with its answer. */
export function MappingRow({ name, question, edit, children }: MappingRowProps) {
  return (
    <Row>
      <span>{name}</span>
      <Answer>
        {children}
        {question && edit.unsure.includes(question) && (
          <AssumedMark what={name} onConfirm={() => edit.confirm(question)} />
        )}
      </Answer>
    </Row>
  )
}

const Row = styled.div`
  display: grid;
  grid-template-columns: 78px minmax(0, 1fr);
  gap: 2px 8px;
  align-items: center;
  padding: 3px 0;
  border-top: 1px solid var(--rule);

  & > span {
    font-size: 12px;
    color: var(--ink-2);
  }
`

const Answer = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 3px 8px;
  align-items: center;

  small {
    color: var(--ink-2);
  }
`

'use client'

import type { ReactNode } from 'react'
import styled from 'styled-components'
import { Button, QuietButton } from '../../interface/Button'
import { media } from '../../interface/theme/media'
import { useChooseFile } from './ChooseFile'
import { usePlanDialogs } from './planDialogs.ts'
import { useWorkbench } from './WorkbenchContext'

interface EmptyPlanProps {
  /** What the screen shows once there is a machine, a sentence or two. */
  readonly shows: string
  /** The screen with data, in pale. */
  readonly sketch: ReactNode
}

/** Where a plan has no machine, or no prices: what would stand here, and the one thing that brings it. */
export function EmptyPlan({ shows, sketch }: EmptyPlanProps) {
  const chooseFile = useChooseFile()
  const { open } = usePlanDialogs()
  const { state, go } = useWorkbench()
  const hasPrices = state.books.length > 0
  return (
    <Place>
      <h1>{hasPrices ? 'This plan has no machines yet' : 'This plan has no prices yet'}</h1>
      <p>{hasPrices ? shows : 'Type a few from a provider’s page, bring in a price list, or open a book.'}</p>
      <Line>
        {hasPrices ? (
          <Button onPress={() => open('add')}>Add a machine</Button>
        ) : (
          <Button onPress={() => go({ view: 'prices' })}>Say whose prices</Button>
        )}
        <QuietButton onPress={chooseFile}>Import a plan or an inventory</QuietButton>
      </Line>
      <Sketch aria-hidden="true">{sketch}</Sketch>
    </Place>
  )
}

const Place = styled.div`
  display: grid;
  gap: 12px;
  justify-items: start;
  width: 100%;
  max-width: 760px;
  margin: 8vh auto 0;
  ${media.narrow} {
    margin-top: 16px;
  }
`

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
`

const Sketch = styled.div`
  width: 100%;
  margin-top: 16px;

  svg {
    display: block;
    width: 100%;
    height: auto;
  }
`

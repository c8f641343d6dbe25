'use client'

import { useEffect, useState } from 'react'
import styled from 'styled-components'
import { lazyPart } from '../../interface/lazyPart'
import { Button } from '../../interface/Button'
import { useChooseFile } from '../workbench/ChooseFile'
import { START_TOUR, startTour } from '../workbench/startTour.ts'
import { savePlan } from '../workbench/saveExport.ts'
import { emptyPlan } from '../workbench/emptyPlan.ts'
import { storageProblemText, storeNoticeText } from './storeNoticeText.ts'
import { useSummaries, useWorkbench } from '../workbench/WorkbenchContext'
import { replaceOpenPlan } from '../../store/openPlan.ts'

const Tour = lazyPart(() => import('./Tour'), 'Tour')

/** Lines across the page: what the demo is, and what the person must know now. */
export function Notices() {
  const { session, state, go } = useWorkbench()
  const { failure } = useSummaries()
  const chooseFile = useChooseFile()
  const [isTouring, setTouring] = useState(false)
  useEffect(() => {
    const onStart = (): void => setTouring(true)
    window.addEventListener(START_TOUR, onStart)
    return () => window.removeEventListener(START_TOUR, onStart)
  }, [])
  return (
    <Stack aria-label="Notices">
      {state.saveProblem && (
        <Notice role="alert" $alert>
          <span>
            <b>Changes are not being kept.</b> {storageProblemText(state.saveProblem)}
            {state.staysOpen && ' The open plan stays open.'} Export the plan before you leave; the next
            change tries again.
          </span>
          <Button onPress={() => savePlan(state.plan)}>Export the plan</Button>
        </Notice>
      )}
      {state.notices.length > 0 && (
        <Notice role="alert" $alert>
          <span>{state.notices.map(storeNoticeText).join(' ')}</span>
          <Button onPress={() => session.dismissNotice()}>Close</Button>
        </Notice>
      )}
      {failure && (
        <Notice role="alert" $alert>
          <span>
            <b>The plan’s totals are out of date.</b> {failure} Reload the page to price it again.
          </span>
        </Notice>
      )}
      {state.refusedBooks.length > 0 && (
        <Notice role="alert" $alert>
          <span>
            <b>A stored price book cannot be read any more:</b> {state.refusedBooks.join(', ')}. Import it
            again; until then its machines are not priced.
          </span>
        </Notice>
      )}
      {isTouring && <Tour onEnd={() => setTouring(false)} />}
      {state.welcome && !isTouring && (
        <Notice role="note" $alert={false}>
          <span>
            Notchgauge says what each virtual machine costs, what of it leaks, and what a notch less would
            save. This is a demo, at invented prices: change anything, undo takes it back.
          </span>
          <Button
            onPress={() => {
              session.dismissWelcome()
              startTour()
            }}
          >
            Look around
          </Button>
          <Button
            onPress={() => {
              go({ view: 'prices', machine: undefined, month: undefined, book: undefined })
              replaceOpenPlan(session, 'start an empty plan', emptyPlan())
              session.dismissWelcome()
            }}
          >
            Start with my prices
          </Button>
          <Button onPress={chooseFile}>Open my file</Button>
          <Button onPress={() => session.dismissWelcome()}>Keep the demo</Button>
        </Notice>
      )}
    </Stack>
  )
}

const Stack = styled.section`
  display: grid;
`

const Notice = styled.div<{ readonly $alert: boolean }>`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
  padding: 5px 16px;
  background: var(--plate);
  border-bottom: 1px solid var(--plate-edge);
  border-left: 4px solid ${({ $alert }) => ($alert ? 'var(--leak)' : 'var(--plate-edge)')};

  & > span {
    flex: 1 1 300px;
  }
`

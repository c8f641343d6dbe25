'use client'

import styled from 'styled-components'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { GLOSSARY } from '../../wording/glossary'
import { KEYS_EVERYWHERE, VIEW_HELP } from '../../wording/keys'
import { startTour } from '../workbench/startTour.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { viewOptions } from '../workbench/views.ts'
import { TOUR_STEPS } from './tourSteps.ts'

/** Keys and words of the view that is open, and the way back to the look around the demo. */
export function HelpDialog({ onClose }: { readonly onClose: () => void }) {
  const { address, state } = useWorkbench()
  const { keys, words } = VIEW_HELP.get(address.view) ?? { keys: [], words: [] }
  const isDemo = TOUR_STEPS.every(({ machine }) => state.plan.machines.some(({ name }) => name === machine))
  return (
    <Dialog title={`Help: ${viewOptions(address.view).name}`} isOpen onClose={onClose}>
      <Lists>
        <section>
          <h3>Keys</h3>
          <dl>
            {[...keys, ...KEYS_EVERYWHERE].map(([pressed, does]) => (
              <div key={pressed}>
                <dt>{pressed}</dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
        </section>
        {words.length > 0 && (
          <section>
            <h3>Words</h3>
            <dl>
              {words.map((word) => (
                <div key={word}>
                  <dt>{word}</dt>
                  <dd>{GLOSSARY[word]}</dd>
                </div>
              ))}
            </dl>
          </section>
        )}
      </Lists>
      <Line>
        <Button
          onPress={() => {
            onClose()
            startTour()
          }}
          isDisabled={!isDemo}
        >
          Look around the demo
        </Button>
        {!isDemo && <small>Open the demo plan first: Plan, “Open the demo plan”.</small>}
        <Button onPress={onClose}>Close</Button>
      </Line>
    </Dialog>
  )
}

const Lists = styled.div`
  display: grid;
  gap: 14px;

  h3 {
    font-size: 12px;
    font-weight: 640;
  }
  dl > div {
    display: grid;
    grid-template-columns: 150px minmax(0, 1fr);
    gap: 12px;
    padding: 3px 0;
    border-top: 1px solid var(--rule);
  }
  dt {
    font-weight: 560;
  }
  dd {
    color: var(--ink-2);
  }
`

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;

  small {
    color: var(--ink-2);
  }
`

'use client'

import styled from 'styled-components'
import { Button } from '../../interface/Button'
import { Menu } from '../../interface/Menu'
import { media } from '../../interface/theme/media'
import { useChooseFile } from '../workbench/ChooseFile'
import { EditableName } from '../workbench/EditableName'
import { lifeText } from '../workbench/lifeText.ts'
import { NotPriced } from './NotPriced'
import { usePlanDialogs } from '../workbench/planDialogs.ts'
import { useMachineActions } from '../workbench/useMachineActions'
import { MACHINE_VIEWS } from '../workbench/views.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { ViewLinks } from './ViewLinks'
import { VIEW_SCREENS } from './viewScreens.ts'

/** The middle: the open machine's decisions or its week, or why there is none. */
export function MachineView() {
  const { state, address, machine, result } = useWorkbench()
  const actions = useMachineActions()
  const { open } = usePlanDialogs()
  const Screen = VIEW_SCREENS[address.view]
  if (!machine) return <NoMachine />
  return (
    <Middle>
      <Head>
        <Naming>
          <h1>
            <EditableName
              label="Machine name"
              name={machine.name}
              taken={state.plan.machines.map(({ name }) => name).filter((name) => name !== machine.name)}
              most={60}
              onRename={actions.rename}
            />
          </h1>
          <Purpose>{[lifeText(machine), machine.purpose].filter(Boolean).join(' · ')}</Purpose>
        </Naming>
        <Views>
          <ViewLinks label="Views of this machine" views={MACHINE_VIEWS} machine={machine.name} />
        </Views>
        <Menu
          label="Machine"
          button="⋯"
          entries={[
            { id: 'duplicate', label: 'Duplicate the machine', onAction: actions.duplicate },
            { id: 'life', label: 'First and last day…', onAction: () => open('life') },
            { id: 'remove', label: 'Delete the machine…', onAction: () => open('delete') },
          ]}
        />
      </Head>
      {result && !result.ok && <NotPriced machine={machine} issues={result.issues} />}
      <Screen />
    </Middle>
  )
}

function NoMachine() {
  const chooseFile = useChooseFile()
  const { state, address, go } = useWorkbench()
  const { open } = usePlanDialogs()
  const first = state.plan.machines[0]
  return (
    <Middle>
      {first ? (
        <Nothing>
          <h1>There is no machine “{address.machine}” in this plan</h1>
          <p>It may have been renamed or removed, or the link is from another plan.</p>
          <Button onPress={() => go({ machine: first.name })}>Open {first.name}</Button>
        </Nothing>
      ) : state.books.length === 0 ? (
        <Nothing>
          <h1>This plan has no prices yet</h1>
          <p>Say whose prices it goes by: type a few from a provider’s page, or open a price book.</p>
          <Line>
            <Button onPress={() => go({ view: 'prices' })}>Say whose prices</Button>
            <Button onPress={chooseFile}>Import a plan</Button>
          </Line>
        </Nothing>
      ) : (
        <Nothing>
          <h1>This plan has no machines yet</h1>
          <p>
            Add the first one and say what it must have. Its plates then show what each choice costs this
            month, and what switching it off saves.
          </p>
          <Line>
            <Button onPress={() => open('add')}>Add a machine</Button>
            <Button onPress={chooseFile}>Import a plan</Button>
          </Line>
        </Nothing>
      )}
    </Middle>
  )
}

const Middle = styled.main.attrs({ id: 'main' })`
  display: flex;
  flex-direction: column;
  min-width: 0;
  overflow: auto;
  padding: 12px 20px 20px;
  background: var(--sheet);
  ${media.compact} {
    padding: 12px 14px 16px;
  }
`

const Head = styled.div`
  display: flex;
  align-items: center;
  gap: 10px;
  ${media.compact} {
    flex-wrap: wrap;
  }

  h1 button {
    max-width: 100%;
    overflow-wrap: anywhere;
    text-align: left;
    padding-left: 0;
    color: var(--ink);
    font-size: 20px;
  }
`

const Naming = styled.div`
  flex: 1;
  min-width: 0;
`

const Purpose = styled.p`
  font-size: 12px;
  min-width: 0;
  overflow-wrap: anywhere;
  color: var(--ink-2);
`

const Views = styled.div`
  ${media.compact} {
    order: 1;
    flex-basis: 100%;
  }
  border-bottom: 1px solid var(--plate-edge);

  nav {
    margin-bottom: -1px;
    ${media.narrow} {
      flex-wrap: wrap;
    }
  }
`

const Nothing = styled.div`
  display: grid;
  gap: 12px;
  justify-items: start;
  max-width: 460px;
  margin: 16vh auto 0;
`

const Line = styled.div`
  display: flex;
  gap: 8px;
`

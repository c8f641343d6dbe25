'use client'

import styled from 'styled-components'
import { lazyPart } from '../../interface/lazyPart'
import { Menu } from '../../interface/Menu'
import { useRoomForTwo } from '../../interface/useMedia'
import { media } from '../../interface/theme/media'
import { EditableName } from '../workbench/EditableName'
import { lifeText } from '../workbench/lifeText.ts'
import { NotPriced } from './NotPriced'
import { usePlanDialogs } from '../workbench/planDialogs.ts'
import { useMachineActions } from '../workbench/useMachineActions'
import { MACHINE_VIEWS, shownViews, viewOptions, type View } from '../workbench/views.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { ViewLinks } from './ViewLinks'
import { VIEW_SCREENS } from './viewScreens.ts'

const NoMachine = lazyPart(() => import('./NoMachine'), 'NoMachine')

/** The middle: the open machine's decisions or its week, or why there is none. */
export function MachineView() {
  const { state, address, machine, result } = useWorkbench()
  const actions = useMachineActions()
  const { open } = usePlanDialogs()
  const views = shownViews(address.view, useRoomForTwo())
  if (!machine) {
    return (
      <Middle>
        <NoMachine />
      </Middle>
    )
  }
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
            { id: 'zones', label: 'In several zones…', onAction: () => open('zones') },
            { id: 'life', label: 'First and last day…', onAction: () => open('life') },
            { id: 'remove', label: 'Delete the machine…', onAction: () => open('delete') },
          ]}
        />
      </Head>
      {result && !result.ok && <NotPriced machine={machine} issues={result.issues} />}
      <Screens views={views} />
    </Middle>
  )
}

function Screens({ views }: { readonly views: readonly View[] }) {
  const shown = views.map((view) => ({ view, Screen: VIEW_SCREENS[view] }))
  if (shown.length < 2) return shown.map(({ view, Screen }) => <Screen key={view} />)
  return (
    <Beside>
      {shown.map(({ view, Screen }) => (
        <Part key={view} aria-label={viewOptions(view).name}>
          <Screen />
        </Part>
      ))}
    </Beside>
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

const Beside = styled.div`
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 28px;
`

const Part = styled.section`
  display: flex;
  flex-direction: column;
  min-width: 0;
`

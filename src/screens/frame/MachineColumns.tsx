'use client'

import styled from 'styled-components'
import { lazyPart } from '../../interface/lazyPart'
import { useRoomForTwo } from '../../interface/useMedia'
import { media } from '../../interface/theme/media'
import { MonthPanel } from '../month/MonthPanel'
import { shownViews, viewOptions } from '../workbench/views.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { MachineList } from './MachineList'
import { MachineView } from './MachineView'

const GaugeWatch = lazyPart(() => import('../gauge/GaugeWatch'), 'GaugeWatch')

/** The machines, the open one, and its month beside it. */
export function MachineColumns() {
  const { view } = useWorkbench().address
  const { hasMonthBeside = false } = viewOptions(view)
  const views = shownViews(view, useRoomForTwo())
  return (
    <Columns $aside={hasMonthBeside}>
      <MachineList />
      <MachineView />
      {hasMonthBeside && <MonthPanel>{views.includes('gauge') && <GaugeWatch />}</MonthPanel>}
    </Columns>
  )
}

const Columns = styled.div<{ readonly $aside: boolean }>`
  display: grid;
  grid-template-columns: 222px minmax(0, 1fr) ${({ $aside }) => ($aside ? '300px' : '')};
  min-height: 0;
  ${media.compact} {
    grid-template-columns: 184px minmax(0, 1fr) ${({ $aside }) => ($aside ? '248px' : '')};
  }
  ${media.narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`

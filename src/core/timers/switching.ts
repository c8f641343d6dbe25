import type { ShutdownState } from '../calendar/autoShutdown.ts'
import type { LifeDates } from '../machine/life.ts'
import type { SwitchAction } from '../machine/switchActions.ts'
import { offIn, type OffPlan } from '../off/offPlan.ts'
import { seconds } from '../quantity/units.ts'
import type { Switch } from './transitions.ts'

/** A machine as far as switching it goes. */
export interface SwitchedMachine extends OffPlan, LifeDates {
  readonly name: string
  readonly region: string
  /** What an auto-shutdown makes of it, where that has a state of its own that the provider knows. */
  readonly atShutdown?: ShutdownState | undefined
}

/** What a switch means for a machine; undefined where it is on in that gap, and so never switched for it. */
export function actionOf(
  machine: SwitchedMachine,
  { to, gapFrom, byShutdown }: Switch,
): SwitchAction | undefined {
  const own = offIn(machine, seconds(gapFrom * 60))
  switch (byShutdown && own !== 'running' ? (machine.atShutdown ?? own) : own) {
    case 'running':
      return undefined
    case 'stopped':
      return to === 'on' ? 'start' : 'stop'
    case 'deallocated':
      return to === 'on' ? 'start' : 'deallocate'
    case 'hibernated':
      return to === 'on' ? 'start' : 'hibernate'
    case 'deleted':
      return to === 'on' ? 'create' : 'delete'
  }
}

/** The lengths in minutes from which gaps are told apart by any of the machines, shortest first. */
export const gapSteps = (machines: readonly OffPlan[]): number[] =>
  [...new Set(machines.flatMap(({ longGaps = [] }) => longGaps.map((long) => long.fromMinutes)))].sort(
    (a, b) => a - b,
  )

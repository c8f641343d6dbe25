import type { OffState } from '../power/powerState.ts'
import type { Transition } from './transitions.ts'

/** What a scheduler asks for. */
export const SWITCH_ACTIONS = ['start', 'stop', 'deallocate', 'hibernate', 'create', 'delete'] as const
export type SwitchAction = (typeof SWITCH_ACTIONS)[number]

/** The command for each action; all names in it are filled in for each machine. */
export type Commands = Readonly<Partial<Record<SwitchAction, string>>>

export const USUAL_COMMAND = 'power {action} {machine} {region}'

/** A machine as far as switching it goes. */
export interface SwitchedMachine {
  readonly name: string
  readonly region: string
  readonly off: OffState
}

/** What switching a machine on or off means for it; undefined where it is never switched. */
export function actionOf({ off }: SwitchedMachine, to: Transition['to']): SwitchAction | undefined {
  switch (off) {
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

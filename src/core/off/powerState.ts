/** What a machine is in between changes. Stopped keeps its hardware, Deallocated gives it back. */
export const POWER_STATES = ['running', 'stopped', 'deallocated', 'hibernated', 'deleted'] as const
export type PowerState = (typeof POWER_STATES)[number]

/** What a machine is outside its week's windows; `running` is never switched off. */
export type OffState = PowerState
export type TrueOffState = Exclude<OffState, 'running'>

/** True where the hardware is given back, and with it a changing address and what a local disk holds. */
export const givesHardwareBack = (off: OffState): boolean => off !== 'running' && off !== 'stopped'

/** The states and the changes between them. Changes are charged as running. */
export type Phase =
  | 'running'
  | 'starting'
  | 'waking'
  | 'creating'
  | 'stopping'
  | 'hibernating'
  | 'deleting'
  | 'stopped'
  | 'deallocated'
  | 'hibernated'
  | 'deleted'

/** The state whose meters run during a phase. */
export const STATE_OF_PHASE = {
  running: 'running',
  starting: 'running',
  waking: 'running',
  creating: 'running',
  stopping: 'running',
  hibernating: 'running',
  deleting: 'running',
  stopped: 'stopped',
  deallocated: 'deallocated',
  hibernated: 'hibernated',
  deleted: 'deleted',
} as const satisfies Record<Phase, PowerState>

/** The phases in which a machine is coming back, by the state it comes back from, and likewise going off. */
export const RETURN_PHASE = {
  stopped: 'starting',
  deallocated: 'starting',
  hibernated: 'waking',
  deleted: 'creating',
} as const satisfies Record<TrueOffState, Phase>

export const LEAVE_PHASE = {
  stopped: 'stopping',
  deallocated: 'stopping',
  hibernated: 'hibernating',
  deleted: 'deleting',
} as const satisfies Record<TrueOffState, Phase>

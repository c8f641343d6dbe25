import type { OffState, Phase } from '../core/off/powerState.ts'

export const STATE_NAMES = {
  running: 'Running',
  stopped: 'Stopped',
  deallocated: 'Deallocated',
  hibernated: 'Hibernated',
  deleted: 'Deleted',
} as const satisfies Record<OffState, string>

/** When off, as a choice: `running` is a machine that never is. */
export const OFF_NAMES = { ...STATE_NAMES, running: 'Always on' } as const satisfies Record<OffState, string>

/** What being off in this way means. */
export const OFF_MEANS = {
  running: 'never switched off',
  stopped: 'hardware kept for it',
  deallocated: 'hardware given back',
  hibernated: 'memory kept on disk',
  deleted: 'made anew each time',
} as const satisfies Record<OffState, string>

export const PHASE_NAMES = {
  running: 'running',
  starting: 'starting',
  waking: 'waking',
  creating: 'being made anew',
  stopping: 'stopping',
  hibernating: 'hibernating',
  deleting: 'being deleted',
  stopped: 'stopped',
  deallocated: 'deallocated',
  hibernated: 'hibernated',
  deleted: 'deleted',
} as const satisfies Record<Phase, string>

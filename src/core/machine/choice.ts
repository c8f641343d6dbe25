import type { OffState } from '../power/powerState.ts'
import type { GiB } from '../quantity/units.ts'
import type { Machine } from './plan.ts'

/** The decisions about one machine, in the order in which its plates stand. */
export const DECISIONS = ['size', 'place', 'disk-kind', 'disk-room', 'off', 'week'] as const
export type Decision = (typeof DECISIONS)[number]

/** One way to take a decision. */
export type Choice =
  | { readonly decision: 'size'; readonly size: string }
  | { readonly decision: 'place'; readonly region: string; readonly zone: string }
  | { readonly decision: 'disk-kind'; readonly kind: string }
  | { readonly decision: 'disk-room'; readonly roomGiB: GiB }
  | { readonly decision: 'off'; readonly off: OffState }
  | { readonly decision: 'week'; readonly week: string }

/** The machine with this one decision taken and nothing else changed. */
export function applyChoice(machine: Machine, choice: Choice): Machine {
  switch (choice.decision) {
    case 'size':
      return { ...machine, size: choice.size }
    case 'place':
      return { ...machine, region: choice.region, zone: choice.zone }
    case 'disk-kind':
      return { ...machine, systemDisk: { ...machine.systemDisk, kind: choice.kind } }
    case 'disk-room':
      return { ...machine, systemDisk: { ...machine.systemDisk, roomGiB: choice.roomGiB } }
    case 'off':
      return { ...machine, off: choice.off }
    case 'week':
      return { ...machine, week: choice.week }
  }
}

/** A choice's name within its decision, fit for a key and an address. */
export function choiceKey(choice: Choice): string {
  switch (choice.decision) {
    case 'size':
      return choice.size
    case 'place':
      return `${choice.region}-${choice.zone}`
    case 'disk-kind':
      return choice.kind
    case 'disk-room':
      return String(choice.roomGiB)
    case 'off':
      return choice.off
    case 'week':
      return choice.week
  }
}

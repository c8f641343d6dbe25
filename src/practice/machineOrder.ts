import type { Machine } from '../core/machine/plan.ts'

/** What is ordered of the practice provider: a machine as a plan has it, without when it is on. */
export interface MachineOrder extends Pick<
  Machine,
  | 'name'
  | 'region'
  | 'zone'
  | 'size'
  | 'chosen'
  | 'image'
  | 'ownLicence'
  | 'terms'
  | 'systemDisk'
  | 'dataDisks'
  | 'address'
  | 'addressGoes'
  | 'trafficOutGiB'
  | 'tags'
  | 'costCentre'
> {
  /**
   * Seconds of running, without coming back and going off, over which the traffic and the operations of a month come, evenly; a whole month of the book when
   * absent. One that runs longer sends more.
   */
  readonly runningSeconds?: number
}

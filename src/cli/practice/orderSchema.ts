import Joi from 'joi'
import { POWER_STATES, type PowerState } from '../../core/off/powerState.ts'
import type { MachineOrder } from '../../practice/machineOrder.ts'
import { disk, form, machine } from '../../files/plan/planSchema.ts'
import { MOST_DATA_DISKS } from '../../core/machine/plan.ts'
import { count, listOf, need, objectOf } from '../../files/reading/rules.ts'

/** What the practice provider is asked to make. */
export interface OrderedMachine extends MachineOrder {
  /** Running when absent. */
  readonly state?: PowerState
}

const LONGEST_MONTH = 32 * 86_400

/** The rules of a plan’s machines hold for what both have. */
export const orderSchema = objectOf<OrderedMachine>({
  name: need(machine.extract('name')),
  region: need(form.extract('region')),
  zone: need(form.extract('zone')),
  size: need(form.extract('size')),
  image: need(form.extract('image')),
  terms: need(form.extract('terms')),
  systemDisk: need(disk),
  dataDisks: need(listOf(disk, MOST_DATA_DISKS)),
  address: need(form.extract('address')),
  addressGoes: form.extract('addressGoes'),
  chosen: form.extract('chosen'),
  costCentre: form.extract('costCentre'),
  ownLicence: form.extract('ownLicence'),
  runningSeconds: count(LONGEST_MONTH).description(
    'Seconds of running over which a month’s traffic and operations come; a whole month when absent.',
  ),
  state: Joi.valid(...POWER_STATES).description('Running when absent.'),
  tags: form.extract('tags'),
  trafficOutGiB: form.extract('trafficOutGiB'),
})

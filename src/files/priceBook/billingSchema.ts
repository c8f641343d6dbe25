import Joi from 'joi'
import type {
  BillingRules,
  ChangeTime,
  PriceBook,
  RebateBand,
  StateRow,
} from '../../core/catalogue/priceBook.ts'
import { count, listOf, need, objectOf, price } from '../reading/rules.ts'

export const changeTime = objectOf<ChangeTime>({
  seconds: need(count(86_400)),
  secondsPerGiB: Joi.number().min(0).max(3_600).description('On top, for each GiB of memory.'),
  secondsPerRestoredGiB: Joi.number()
    .min(0)
    .max(3_600)
    .description('On top, for each GiB that a snapshot brings back.'),
})

export const stateRow = objectOf<StateRow>({
  address: need(Joi.valid('attachedOn', 'attachedOff', 'unattached', 'none')).description(
    'Which address rate applies.',
  ),
  compute: need(Joi.boolean()),
  disks: need(Joi.boolean()),
  leave: changeTime,
  licence: need(Joi.boolean()),
  memoryImage: need(Joi.boolean()),
  return: changeTime,
}).description(
  'Which meters run in a state. leave and return are the times to go into it and to come back; they are charged as running.',
)

/** Which states there are, and what runs in them. */
export const states = objectOf<PriceBook['states']>({
  deallocated: stateRow,
  deleted: stateRow,
  hibernated: stateRow,
  running: need(stateRow),
  stopped: stateRow,
}).description('A state that is missing is one that the provider does not have.')

/** How runs are counted. */
export const billing = objectOf<BillingRules>({
  flatCapHours: count(745).description(
    'Cap of hours a month that prices on demand would have again if they were charged until deleted.',
  ),
  incrementSeconds: need(Joi.number().integer().min(1).max(86_400)),
  longRunRebate: listOf(
    objectOf<RebateBand>({ rateShare: need(price), upToShare: need(price) }),
    20,
  ).description(
    'On-demand rates that fall as the machine’s share of the month grows; each band for its own hours only. The last band goes up to 1.',
  ),
  minimumPerMachineMonth: price.description(
    'What a machine costs at the least in a month in which there is one, if only for a second.',
  ),
  minimumSeconds: need(count(86_400)),
  vcpuPerCore: Joi.number()
    .integer()
    .min(1)
    .max(16)
    .description('vCPU that one physical core stands for, where sizes have cores.'),
}).description('charged seconds = ceil(max(length, minimum) / increment) × increment, for each run.')

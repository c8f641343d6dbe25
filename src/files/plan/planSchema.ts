import Joi from 'joi'
import {
  MOST_ACCEPTED,
  MOST_DATA_DISKS,
  MOST_EXCHANGE_RATES,
  MOST_MACHINES,
  MOST_PROVIDERS,
  MOST_TAGS,
  MOST_WEEKS,
  SNAPSHOT_EVERY,
  TAG_KEY,
  type AcceptedFinding,
  type ChosenSize,
  type Disk,
  type ExchangeRate,
  type Machine,
  type MachineForm,
  type Snapshots,
  type Variant,
} from '../../core/machine/plan.ts'
import { MINUTES_PER_DAY } from '../../core/calendar/weekPlan.ts'
import { isLifeBackwards, type LifeDates } from '../../core/machine/life.ts'
import { DECISIONS, isPlateId, PLATE_PATTERN } from '../../core/machine/decision.ts'
import { MOST_APART_GROUPS } from '../../core/machine/apartGroup.ts'
import { MOST_PLACES } from '../../core/machine/needs.ts'
import { MOST_VARIANTS } from '../../core/machine/variant.ts'
import { LONGEST_GAP_DAYS, MOST_LONG_GAPS, type LongGap } from '../../core/off/offPlan.ts'
import { POWER_STATES } from '../../core/off/powerState.ts'
import type { Commands } from '../../core/machine/switchActions.ts'
import { access } from './accessSchema.ts'
import type { PlanFile } from './planDocument.ts'
import { consideredProvider } from './accountSchema.ts'
import { setup } from './setupSchema.ts'
import { cleanUp } from './cleanUpSchema.ts'
import { credit } from './creditSchema.ts'
import { weekSchema } from './weekSchema.ts'
import { apartGroup, needs, userPlace } from './needsSchema.ts'
import { LONGEST_TEMPLATE, templateProblem } from './commandTemplate.ts'
import {
  amountGiB,
  byKey,
  count,
  currency,
  date,
  exchangeRate,
  id,
  idListOf,
  label,
  listOf,
  month,
  need,
  objectOf,
  percent,
  price,
  room,
  textRule,
  type Fields,
} from '../reading/rules.ts'

export const command = Joi.string()
  .custom((text: string, helpers) => {
    const problem = templateProblem(text)
    return problem === undefined ? text : helpers.error('command.rule', { problem })
  })
  .messages({ 'command.rule': 'a command template. {#problem}' })
  .meta({ jsonSchema: { maxLength: LONGEST_TEMPLATE, pattern: '\\{machine\\}' } })

const snapshots = objectOf<Snapshots>({
  changedPercent: need(count(100)).description('Of the used room, from one snapshot to the next.'),
  every: need(Joi.valid(...SNAPSHOT_EVERY)),
  kept: need(count(1_000)),
  usedGiB: room,
})

export const disk = objectOf<Disk>({
  extraIops: count(10_000_000).description('Bought on top.'),
  extraMegabytesPerSecond: count(1_000_000),
  goes: Joi.boolean().description('Deleted with the machine; otherwise it stays and is charged.'),
  kind: need(id),
  operationsPerMonth: count(1_000_000_000_000).description('Expected reads and writes.'),
  roomGiB: need(room),
  snapshots,
})

/** A rule of the watch list, and what it found. */
const findingKey = Joi.string()
  .pattern(/^[a-z0-9-]+(\/[a-z0-9.-]+)?$/)
  .max(100)
  .messages({ 'string.pattern.base': 'a finding such as "port-open/22"' })

const plate = textRule(isPlateId, 'a plate such as "size", "disk-room" or "data-disk-1"', {
  pattern: PLATE_PATTERN,
})

const tagKey = Joi.string()
  .pattern(TAG_KEY)
  .messages({ 'string.pattern.base': 'a key of at most 40 letters that begins with a letter or digit' })
  .meta({
    jsonSchema: {
      pattern:
        '^[^\\u0000-\\u002f\\u003a-\\u0040\\u005b-\\u0060\\u007b-\\u00a9\\u2000-\\u206f\\u3000-\\u3004\\ufeff]',
      maxLength: 40,
    },
  })
  .description(
    'Begins with a letter or a digit of any script, which a pattern that all validators read can only say in part.',
  )

export const longGap = objectOf<LongGap>({
  off: need(Joi.valid(...POWER_STATES)).description(
    'The state that the machine is in for such a gap; running is never switched off in it.',
  ),
  fromMinutes: need(count(LONGEST_GAP_DAYS * MINUTES_PER_DAY).min(1)).description(
    'A gap of at least so many minutes, from the end of one planned time to be on to the beginning of the next.',
  ),
})

const longGaps = Joi.array()
  .items(longGap)
  .min(1)
  .max(MOST_LONG_GAPS)
  .custom((gaps: readonly LongGap[], helpers) =>
    gaps.every((gap, i) => i === 0 || gap.fromMinutes > gaps[i - 1]!.fromMinutes)
      ? gaps
      : helpers.error('longGaps.order'),
  )
  .messages({ 'longGaps.order': 'each gap longer than the one before it' })
  .description('Other states in long gaps, shortest gap first.')

const decided: Fields<MachineForm> = {
  provider: need(id),
  purpose: need(label(200).allow('')),
  needs: need(needs),
  region: need(id),
  zone: need(id),
  size: need(id),
  image: need(id),
  terms: need(id),
  systemDisk: need(disk),
  dataDisks: need(listOf(disk, MOST_DATA_DISKS)),
  address: need(Joi.valid('none', 'changing', 'fixed')),
  week: need(id).description('Id of one of the weeks above.'),
  off: need(Joi.valid(...POWER_STATES)).description(
    'Between two times to be on; running is never switched off.',
  ),
  accepted: listOf(
    objectOf<AcceptedFinding>({ finding: need(findingKey), note: need(label(200).allow('')) }),
    MOST_ACCEPTED,
  ).unique('finding'),
  access,
  addressGoes: Joi.boolean().description('A fixed address is given up when the machine is deleted.'),
  chosen: objectOf<ChosenSize>({
    vcpu: need(count(4_096).min(1)),
    memoryGiB: need(room),
  }).description('Where the size leaves them to choose.'),
  costCentre: label(60),
  firstDay: date,
  lastDay: date,
  longGaps,
  ownLicence: Joi.boolean(),
  pinned: Joi.array()
    .items(plate)
    .max(DECISIONS.length + MOST_DATA_DISKS)
    .unique()
    .description('Plates that are kept as they are.'),
  setup,
  tags: byKey(tagKey, label(80).allow(''), MOST_TAGS),
  trafficOutGiB: amountGiB.description('Expected a month.'),
}

/** Dates in their order, which no single field can tell. */
const lived = <T>(fields: Fields<T>): Joi.ObjectSchema<T> =>
  objectOf<T>(fields)
    .custom((value: LifeDates, helpers) => (isLifeBackwards(value) ? helpers.error('life.backwards') : value))
    .messages({ 'life.backwards': 'a last day that is not before the first one' })

export const form = lived<MachineForm>(decided).description(
  'All fields of a machine but its name and its variants.',
)

export const machine = lived<Machine>({
  name: need(label(60)),
  ...decided,
  variants: listOf(
    objectOf<Variant>({
      name: need(label(60)),
      form: need(form),
      number: need(count(1_000_000).min(1)),
    }),
    MOST_VARIANTS,
  ).unique('number'),
})

export const planSchema = objectOf<PlanFile>({
  format: need(Joi.string()),
  id: id.description('Tells plans of one browser apart; not written to files.'),
  name: need(label(120)),
  month: need(month).description('The month that opens first.'),
  currency,
  weeks: need(idListOf(weekSchema, MOST_WEEKS)),
  providers: listOf(consideredProvider, MOST_PROVIDERS)
    .unique('id', { ignoreUndefined: true })
    .description(
      'Whose price books the plan considers, beside those on which its machines stand; absent, these alone.',
    ),
  machines: need(listOf(machine, MOST_MACHINES).unique('name', { ignoreUndefined: true })),
  apartGroups: listOf(apartGroup, MOST_APART_GROUPS)
    .unique('name', { ignoreUndefined: true })
    .description('Machines that must not fall together; each says in its needs which group it is of.'),
  budget: price.description('What a month may cost, in the plan’s currency, before tax.'),
  commands: objectOf<Commands>({
    create: command,
    deallocate: command,
    delete: command,
    hibernate: command,
    start: command,
    stop: command,
  }).description(
    'The command that switches a machine, by what is done. {machine}, {region} and {action} are filled in, each as one quoted word.',
  ),
  cleanUp,
  credit,
  exchangeRates: listOf(
    objectOf<ExchangeRate>({
      from: need(currency),
      to: need(currency.invalid(Joi.ref('from'))),
      date: need(date),
      rate: need(exchangeRate),
    }),
    MOST_EXCHANGE_RATES,
  ).description('One unit of from is rate units of to, from date on. Nothing is converted without one.'),
  places: listOf(userPlace, MOST_PLACES).unique('name', { ignoreUndefined: true }),
  taxPercent: percent.description('On top of the total.'),
})

import Joi from 'joi'
import {
  MOST_ACCEPTED,
  MOST_DATA_DISKS,
  MOST_EXCHANGE_RATES,
  MOST_MACHINES,
  MOST_TAGS,
  MOST_WEEKS,
  SNAPSHOT_EVERY,
  TAG_KEY,
  type Machine,
  type Plan,
} from '../../core/machine/plan.ts'
import { isLifeBackwards, type LifeDates } from '../../core/machine/life.ts'
import { DECISIONS, isPlateId } from '../../core/machine/decision.ts'
import { MOST_PLACES } from '../../core/machine/needs.ts'
import { MOST_VARIANTS } from '../../core/machine/variant.ts'
import { LONGEST_GAP_DAYS, MOST_LONG_GAPS, type LongGap } from '../../core/off/offPlan.ts'
import { POWER_STATES } from '../../core/off/powerState.ts'
import { SWITCH_ACTIONS } from '../../core/machine/switchActions.ts'
import { access } from './accessSchema.ts'
import { setup } from './setupSchema.ts'
import { credit } from './creditSchema.ts'
import { weekSchema, type WeekFile } from './weekSchema.ts'
import { needs, userPlace } from './needsSchema.ts'
import { templateProblem } from './commandTemplate.ts'
import {
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
  percent,
  price,
  room,
  textRule,
} from '../reading/rules.ts'

export const PLAN_KIND = 'notchgauge/plan'
export const PLAN_VERSION = 1

/** A plan as it stands in its file: windows by day, times as text. */
export interface PlanFile extends Pick<
  Plan,
  'id' | 'currency' | 'exchangeRates' | 'taxPercent' | 'places' | 'commands' | 'budget' | 'credit'
> {
  readonly format: string
  readonly name: string
  readonly month: string
  readonly weeks: readonly WeekFile[]
  readonly machines: readonly Machine[]
}

const MINUTES_PER_DAY = 1440

const command = Joi.string()
  .custom((text: string, helpers) => {
    const problem = templateProblem(text)
    return problem === undefined ? text : helpers.error('command.rule', { problem })
  })
  .messages({ 'command.rule': 'a command template. {#problem}' })

const snapshots = Joi.object({
  every: Joi.valid(...SNAPSHOT_EVERY).required(),
  kept: count(1_000).required(),
  changedPercent: count(100).required(),
  usedGiB: room,
})

const disk = Joi.object({
  kind: id.required(),
  roomGiB: room.required(),
  goes: Joi.boolean(),
  extraIops: count(10_000_000),
  extraMegabytesPerSecond: count(1_000_000),
  operationsPerMonth: count(1_000_000_000_000),
  snapshots,
})

const traffic = Joi.number()
  .min(0)
  .max(4 * 1024 * 1024)
  .custom((value: number, helpers) =>
    Number.isInteger(value * 1024) ? value : helpers.error('traffic.step'),
  )
  .messages({ 'traffic.step': 'GiB in whole MiB (steps of 1/1024)' })

/** A rule of the watch list, and what it found. */
const findingKey = Joi.string()
  .pattern(/^[a-z0-9-]+(\/[a-z0-9.-]+)?$/)
  .max(100)
  .messages({ 'string.pattern.base': 'a finding such as "port-open/22"' })

const plate = textRule(isPlateId, 'a plate such as "size", "disk-room" or "data-disk-1"')

const tagKey = Joi.string()
  .pattern(TAG_KEY)
  .messages({ 'string.pattern.base': 'a key of at most 40 letters that begins with a letter or digit' })

const longGaps = Joi.array()
  .items(
    Joi.object({
      fromMinutes: count(LONGEST_GAP_DAYS * MINUTES_PER_DAY)
        .min(1)
        .required(),
      off: Joi.valid(...POWER_STATES).required(),
    }),
  )
  .min(1)
  .max(MOST_LONG_GAPS)
  .custom((gaps: readonly LongGap[], helpers) =>
    gaps.every((gap, i) => i === 0 || gap.fromMinutes > gaps[i - 1]!.fromMinutes)
      ? gaps
      : helpers.error('longGaps.order'),
  )
  .messages({ 'longGaps.order': 'each gap longer than the one before it' })

const decided = {
  purpose: label(200).allow('').required(),
  needs: needs.required(),
  provider: id.required(),
  region: id.required(),
  zone: id.required(),
  size: id.required(),
  chosen: Joi.object({ vcpu: count(4_096).min(1).required(), memoryGiB: room.required() }),
  image: id.required(),
  ownLicence: Joi.boolean(),
  terms: id.required(),
  systemDisk: disk.required(),
  dataDisks: listOf(disk, MOST_DATA_DISKS).required(),
  address: Joi.valid('none', 'changing', 'fixed').required(),
  addressGoes: Joi.boolean(),
  trafficOutGiB: traffic,
  week: id.required(),
  off: Joi.valid(...POWER_STATES).required(),
  longGaps,
  pinned: Joi.array()
    .items(plate)
    .max(DECISIONS.length + MOST_DATA_DISKS)
    .unique(),
  access,
  setup,
  accepted: listOf(
    Joi.object({ finding: findingKey.required(), note: label(200).allow('').required() }),
    MOST_ACCEPTED,
  ).unique('finding'),
  tags: byKey(tagKey, label(80).allow(''), MOST_TAGS),
  costCentre: label(60),
  firstDay: date,
  lastDay: date,
}

/** Dates in their order, which no single field can tell. */
const lived = (fields: Joi.PartialSchemaMap) =>
  Joi.object(fields)
    .custom((value: LifeDates, helpers) => (isLifeBackwards(value) ? helpers.error('life.backwards') : value))
    .messages({ 'life.backwards': 'a last day that is not before the first one' })

const machine = lived({
  name: label(60).required(),
  ...decided,
  variants: listOf(
    Joi.object({
      number: count(1_000_000).min(1).required(),
      name: label(60).required(),
      form: lived(decided).required(),
    }),
    MOST_VARIANTS,
  ).unique('number'),
})

export const planSchema: Joi.ObjectSchema<PlanFile> = Joi.object({
  format: Joi.string().required(),
  id,
  name: label(120).required(),
  month: month.required(),
  weeks: idListOf(weekSchema, MOST_WEEKS).required(),
  machines: listOf(machine, MOST_MACHINES).unique('name', { ignoreUndefined: true }).required(),
  currency,
  exchangeRates: listOf(
    Joi.object({
      from: currency.required(),
      to: currency.invalid(Joi.ref('from')).required(),
      rate: exchangeRate.required(),
      date: date.required(),
    }),
    MOST_EXCHANGE_RATES,
  ),
  taxPercent: percent,
  places: listOf(userPlace, MOST_PLACES).unique('name', { ignoreUndefined: true }),
  commands: Joi.object(Object.fromEntries(SWITCH_ACTIONS.map((action) => [action, command]))),
  budget: price,
  credit,
})

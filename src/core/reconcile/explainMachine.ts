import type { BillLine } from '../bill/billLine.ts'
import { exactNumber } from '../quantity/decimal.ts'
import { add, compare, divide, exact, type Exact } from '../quantity/exact.ts'
import type { Seconds } from '../quantity/units.ts'
import type { Cause, CausePart } from './cause.ts'
import { size } from './dust.ts'
import { explainMeter } from './explainMeter.ts'
import { isUsed } from './hoursByDay.ts'
import { METER_CLASSES, meterClass, type MeterClass } from './meterClass.ts'
import { plainName } from './plainName.ts'

/** A size as the details of its prices have it. */
export interface NamedSize {
  readonly name: string
  readonly cores: number | undefined
  readonly memoryGiB: number | undefined
}

/** The sizes that plan and bill name for a machine, where they do. */
export interface SizeNames {
  readonly planned: NamedSize | undefined
  readonly billed: NamedSize | undefined
}

/**
 * All meters of one machine. What follows from another difference is a part of it: hours that nobody planned cost a licence,
 * an address at its other rate and traffic, too; another size has another licence.
 */
export function explainMachine(
  machine: string,
  planned: readonly BillLine[],
  billed: readonly BillLine[],
  month: Seconds,
  sizes: SizeNames,
): Cause[] {
  const [plans, bills] = [byMeter(planned), byMeter(billed)]
  const time = (bills.get('machine-time') ?? []).filter(isUsed)
  const on = new Set(time.map(({ day }) => day))
  const causes = METER_CLASSES.flatMap((meter) =>
    byResource(meter, plans.get(meter) ?? [], bills.get(meter) ?? []).flatMap(([before, after]) =>
      explainMeter(machine, meter, before, after, { month, on, sizeRatio: ratioOf(sizes) }),
    ),
  )
  const named = joined(causes).map((cause) => renamed(cause, plans, bills, sizes))
  const own = followed(named.filter(({ meter }) => meter !== 'minimum'))
  return named.filter(({ meter }) => meter === 'minimum').reduce(withMinimum, own)
}

function ratioOf({ planned, billed }: SizeNames): ReadonlyMap<string, Exact> {
  const ratio = (field: 'cores' | 'memoryGiB'): Exact => {
    const [before, after] = [planned?.[field], billed?.[field]]
    return before && after ? divide(exactNumber(after), exactNumber(before)) : exact(1)
  }
  const cores = ratio('cores')
  return new Map([
    ['vCPU-time', cores],
    ['Core-time', cores],
    ['GiB-time', ratio('memoryGiB')],
  ])
}

type ByMeter = ReadonlyMap<MeterClass, readonly BillLine[]>

function byMeter(lines: readonly BillLine[]): ByMeter {
  const found = new Map<MeterClass, BillLine[]>()
  for (const line of lines) {
    const meter = meterClass(line)
    if (meter === undefined) continue
    const own = found.get(meter)
    if (own) own.push(line)
    else found.set(meter, [line])
  }
  return found
}

type TwoSides = readonly [planned: readonly BillLine[], billed: readonly BillLine[]]

/** Disks that both sides call by the same name are compared by themselves, all others of a meter together. */
function byResource(meter: MeterClass, before: readonly BillLine[], after: readonly BillLine[]): TwoSides[] {
  if (meter !== 'disk') return [[before, after]]
  const ids = new Set(before.map(({ resourceId }) => resourceId))
  const both = new Set(after.map(({ resourceId }) => resourceId).filter((id) => ids.has(id)))
  const isOther = ({ resourceId }: BillLine): boolean => !both.has(resourceId)
  const of = (id: string) => (line: BillLine) => line.resourceId === id
  return [
    ...[...both].map((id): TwoSides => [before.filter(of(id)), after.filter(of(id))]),
    [before.filter(isOther), after.filter(isOther)],
  ]
}

/** Parts of a price that are charged side by side, for vCPU and for memory, are one. */
function joined(causes: readonly Cause[]): Cause[] {
  const found = new Map<string, Cause>()
  for (const cause of causes) {
    const isUse = cause.code === 'quantity' || cause.code === 'left-over'
    const key = `${cause.code}\n${cause.meter}\n${isUse ? '' : cause.unit}`
    const known = found.get(key)
    if (!known) {
      found.set(key, cause)
      continue
    }
    const prices = known.prices &&
      cause.prices && {
        planned: add(known.prices.planned, cause.prices.planned),
        billed: add(known.prices.billed, cause.prices.billed),
      }
    const { prices: _, ...rest } = known
    found.set(key, { ...rest, amount: add(known.amount, cause.amount), ...(prices && { prices }) })
  }
  return [...found.values()]
}

/** A price is another one because the size is, or the terms are. */
function renamed(cause: Cause, planned: ByMeter, billed: ByMeter, sizes: SizeNames): Cause {
  if ((cause.code !== 'price' && cause.code !== 'discount') || cause.meter !== 'machine-time') return cause
  const { planned: before, billed: after } = sizes
  if (before !== undefined && after !== undefined && plainName(before.name) !== plainName(after.name)) {
    return { ...cause, code: 'other-size', names: { planned: before.name, billed: after.name } }
  }
  const [own, found] = [planned, billed].map(pricingOf)
  return own !== undefined && found !== undefined && own !== found
    ? { ...cause, code: 'other-terms', names: { planned: own, billed: found } }
    : cause
}

/** The pricing category of a side’s machine time, where it has one alone. */
function pricingOf(lines: ByMeter): string | undefined {
  const found = new Set((lines.get('machine-time') ?? []).map(({ pricing }) => pricing))
  const [only] = found
  return found.size === 1 && only !== '' ? only : undefined
}

const FOLLOWS_TIME: readonly MeterClass[] = [
  'machine-time',
  'licence',
  'address',
  'traffic',
  'memory',
  'snapshot',
  'disk',
]

function followed(causes: readonly Cause[]): Cause[] {
  const leads = (meter: MeterClass): Cause[] =>
    causes.filter(({ code, meter: own }) => own === meter && (code === 'more-time' || code === 'less-time'))
  const other = causes.find(({ code }) => code === 'other-size')
  const own = leads('machine-time')
  const time = own.length > 0 || other ? own : leads('licence')
  const parts = new Map<Cause, CausePart[]>()
  const kept = causes.filter((cause) => {
    const lead = leadOf(cause, time, other)
    if (!lead || lead === cause || cause.meter === undefined) return true
    parts.set(lead, [...(parts.get(lead) ?? []), { meter: cause.meter, amount: cause.amount }])
    return false
  })
  return kept.map((cause) => {
    const more = parts.get(cause)
    return more ? withParts(cause, more) : cause
  })
}

/** What is missing to the least cost of a month follows from all else. */
function withMinimum(causes: Cause[], minimum: Cause): Cause[] {
  const lead = largestOf(causes.filter(({ code }) => code !== 'rounding'))
  return lead
    ? causes.map((cause) =>
        cause === lead ? withParts(cause, [{ meter: 'minimum', amount: minimum.amount }]) : cause,
      )
    : [...causes, minimum]
}

function withParts(cause: Cause, more: readonly CausePart[]): Cause {
  if (cause.meter === undefined) return cause
  return {
    ...cause,
    amount: more.reduce((sum, { amount }) => add(sum, amount), cause.amount),
    parts: [...(cause.parts ?? [{ meter: cause.meter, amount: cause.amount }]), ...more],
  }
}

const largestOf = (causes: readonly Cause[]): Cause | undefined =>
  causes.reduce<Cause | undefined>(
    (most, each) => (!most || compare(size(each.amount), size(most.amount)) > 0 ? each : most),
    undefined,
  )

/** The difference that another one follows from. */
function leadOf(cause: Cause, time: readonly Cause[], other: Cause | undefined): Cause | undefined {
  const { code, meter, days } = cause
  if (meter === undefined || !FOLLOWS_TIME.includes(meter) || time.includes(cause)) return undefined
  const isUse = code === 'quantity' || code === 'more-time' || code === 'less-time'
  const isPrice = code === 'price' || code === 'discount'
  const isOdd = code === 'unexplained' || code === 'not-billed' || code === 'not-planned'
  if (other && (meter === 'licence' || meter === 'traffic') && (isUse || isPrice || isOdd)) return other
  if (!isUse && code !== 'discount' && !(isPrice && meter === 'traffic')) return undefined
  const within = (lead: Cause): boolean => {
    const own = new Set((lead.days ?? []).map(({ day }) => day))
    return (days ?? []).every(({ day }) => own.has(day))
  }
  const largest = largestOf(time)
  if (meter === 'traffic' || code !== 'quantity' || !cause.unit?.includes('time')) return largest
  const own = time.find(within)
  if (own) return own
  const all = new Set(time.flatMap((each) => (each.days ?? []).map(({ day }) => day)))
  return (days ?? []).every(({ day }) => all.has(day)) ? largest : undefined
}

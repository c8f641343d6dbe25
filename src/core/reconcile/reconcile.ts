import type { BillLine, BillResource } from '../bill/billLine.ts'
import { detailNumber } from '../bill/detail.ts'
import { add, compare, isZero, negate, ZERO, type Exact } from '../quantity/exact.ts'
import type { Seconds } from '../quantity/units.ts'
import { CATEGORY_CAUSE, type Cause } from './cause.ts'
import { isDust, size } from './dust.ts'
import { explainMachine, type NamedSize, type SizeNames } from './explainMachine.ts'
import { hoursByDay, thingsPerHour } from './hoursByDay.ts'
import { meterClass } from './meterClass.ts'
import { tieLines, type Ties } from './tieLines.ts'

export interface ReconcileInputs {
  /** The planned month as a bill would have it: resource names are machines. */
  readonly planned: readonly BillLine[]
  /** The bill’s lines of the same period and currency. */
  readonly billed: readonly BillLine[]
  readonly resources?: readonly BillResource[]
  /** What the plan says of its machines in the same way. */
  readonly plannedResources?: readonly BillResource[]
  readonly ties?: Ties
  /** True length of the month. */
  readonly month: Seconds
}

/** Seconds of machine time on one day. */
export interface DayHours {
  readonly day: string
  readonly planned: Exact
  readonly billed: Exact
}

export interface MachineDifference {
  readonly machine: string
  /** Whether the plan has it. */
  readonly isPlanned: boolean
  readonly planned: Exact
  readonly billed: Exact
  /** In order; only days on which one side has some. */
  readonly days: readonly DayHours[]
}

export interface Reconciliation {
  readonly planned: Exact
  readonly billed: Exact
  /** The largest first; they add up to billed less planned. */
  readonly causes: readonly Cause[]
  /** Machines of the plan in its order, then resources of the bill that are in no machine. */
  readonly machines: readonly MachineDifference[]
  /** What no cause could be told for, added without signs. */
  readonly unexplained: Exact
}

/**
 * Why a bill is not what was planned, in money: each machine’s meters day by day, split in what was used more and what cost
 * more, and everything that is on one side alone. O(lines).
 */
export function reconcile(inputs: ReconcileInputs): Reconciliation {
  const { planned, billed, month } = inputs
  const machines = [...new Set(planned.map(({ resourceName }) => resourceName))]
  const owners = tieLines(billed, machines, inputs.resources, inputs.ties)
  const causes: Cause[] = []
  const own = new Map<string, BillLine[]>()
  const others = new Map<string, BillLine[]>()
  billed.forEach((line, i) => {
    const owner = owners[i]
    const apart = line.isCorrection
      ? 'correction'
      : line.category === 'usage'
        ? undefined
        : CATEGORY_CAUSE[line.category]
    if (apart) {
      causes.push({ code: apart, of: owner ?? nameOf(line), meter: undefined, amount: line.effective })
    } else if (owner === undefined) put(others, nameOf(line), line)
    else put(own, owner, line)
  })
  const plans = new Map<string, BillLine[]>()
  for (const line of planned) put(plans, line.resourceName, line)
  for (const [machine, lines] of plans) {
    const found = own.get(machine)
    if (found) causes.push(...explainMachine(machine, lines, found, month, sizesOf(inputs, lines, found)))
    else causes.push({ code: 'never-billed', of: machine, meter: undefined, amount: negate(sumOf(lines)) })
  }
  for (const [of, lines] of others) {
    const runs = lines.some((line) => meterClass(line) === 'machine-time')
    causes.push({
      code: runs ? 'unplanned-machine' : 'left-over',
      of,
      meter: undefined,
      amount: sumOf(lines),
    })
  }
  const joined = join(gatherDust(causes)).filter(({ amount }) => !isZero(amount))
  return {
    planned: sumOf(planned),
    billed: sumOf(billed),
    causes: joined.sort((a, b) => compare(size(b.amount), size(a.amount))),
    machines: [
      ...machines.map((machine) => differenceOf(machine, plans.get(machine)!, own.get(machine) ?? [], month)),
      ...[...others].map(([machine, lines]) => differenceOf(machine, [], lines, month)),
    ],
    unexplained: joined
      .filter(({ code }) => code === 'unexplained')
      .reduce((sum, { amount }) => add(sum, size(amount)), ZERO),
  }
}

function differenceOf(
  machine: string,
  planned: readonly BillLine[],
  billed: readonly BillLine[],
  month: Seconds,
): MachineDifference {
  const things = thingsPerHour(planned)
  const hoursOf = (lines: readonly BillLine[]): ReadonlyMap<string, Exact> =>
    hoursByDay(lines, month, things.size > 0 ? things : thingsPerHour(lines))
  const [before, after] = [hoursOf(planned), hoursOf(billed)]
  return {
    machine,
    isPlanned: planned.length > 0,
    planned: sumOf(planned),
    billed: sumOf(billed),
    days: [...new Set([...before.keys(), ...after.keys()])].sort().map((day) => ({
      day,
      planned: before.get(day) ?? ZERO,
      billed: after.get(day) ?? ZERO,
    })),
  }
}

/** The size that each side names, where it names one alone. */
function sizesOf(
  { plannedResources = [], resources = [] }: ReconcileInputs,
  planned: readonly BillLine[],
  billed: readonly BillLine[],
): SizeNames {
  return { planned: sizeNamed(plannedResources, planned), billed: sizeNamed(resources, billed) }
}

function sizeNamed(resources: readonly BillResource[], lines: readonly BillLine[]): NamedSize | undefined {
  const ids = new Set(
    lines.filter((line) => meterClass(line) === 'machine-time').map(({ resourceId }) => resourceId),
  )
  const named = new Map<string, NamedSize>()
  for (const { id, details } of resources) {
    if (!ids.has(id)) continue
    for (const { InstanceType, CoreCount, MemorySize } of details.values()) {
      if (typeof InstanceType !== 'string' || InstanceType === '') continue
      named.set(InstanceType, {
        name: InstanceType,
        cores: detailNumber(CoreCount),
        memoryGiB: detailNumber(MemorySize),
      })
    }
  }
  return named.size === 1 ? [...named.values()][0] : undefined
}

/** Roundings that no one would see are one: of figures that were cut off after the twelfth digit. */
const gatherDust = (causes: readonly Cause[]): Cause[] =>
  causes.map((cause) =>
    cause.code === 'rounding' && isDust(cause.amount)
      ? { code: 'rounding', of: '', meter: undefined, amount: cause.amount }
      : cause,
  )

/** Causes of the same kind about the same thing that have no days of their own are one. */
function join(causes: readonly Cause[]): Cause[] {
  const found = new Map<string, Cause>()
  for (const cause of causes) {
    const key = [cause.code, cause.of, cause.meter, cause.unit].join('\n')
    const known = found.get(key)
    found.set(key, known ? { ...known, amount: add(known.amount, cause.amount) } : cause)
  }
  return [...found.values()]
}

function put<Key, Value>(lists: Map<Key, Value[]>, key: Key, value: Value): void {
  const list = lists.get(key)
  if (list) list.push(value)
  else lists.set(key, [value])
}

const nameOf = ({ resourceName, resourceId }: BillLine): string => resourceName || resourceId

const sumOf = (lines: readonly BillLine[]): Exact =>
  lines.reduce((sum, { effective }) => add(sum, effective), ZERO)

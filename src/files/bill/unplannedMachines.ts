import { datesOfMonth } from '../../core/calendar/datesOfMonth.ts'
import type { WeekPlan } from '../../core/calendar/weekPlan.ts'
import { priceBookFor } from '../../core/catalogue/bookFor.ts'
import { billedMachines } from '../../core/fromBill/billedMachines.ts'
import { billedWeek } from '../../core/fromBill/billedWeek.ts'
import { machineAsBilled } from '../../core/fromBill/machineAsBilled.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { SECONDS_PER_DAY, seconds } from '../../core/quantity/units.ts'
import type { BillLine, BillResource } from '../../core/bill/billLine.ts'
import type { Cause } from '../../core/reconcile/cause.ts'
import { plainName } from '../../core/reconcile/plainName.ts'
import type { ComparisonQuestion } from './comparisonQuestion.ts'

/** A machine of the bill that the plan lacks, as the plan would have it, on a week that is one of the plan’s or its own. */
export interface UnplannedMachine {
  readonly machine: Machine
  readonly week: WeekPlan
  readonly isNewWeek: boolean
}

const LONGEST_ID = 40

/** By the name that their cause has; those that no book of the plan has a size for are left out. O(lines). */
export function unplannedMachines(
  causes: readonly Cause[],
  billed: readonly BillLine[],
  resources: readonly BillResource[],
  { plan, books, month }: ComparisonQuestion,
): ReadonlyMap<string, UnplannedMachine> {
  const wanted = new Set(causes.filter(({ code }) => code === 'unplanned-machine').map(({ of }) => of))
  const found = new Map<string, UnplannedMachine>()
  if (wanted.size === 0) return found
  const dates = datesOfMonth(month)
  const length = seconds(dates.length * SECONDS_PER_DAY)
  const lines = billed.filter(({ resourceName, resourceId }) => wanted.has(resourceName || resourceId))
  const last = billed.reduce((latest, { day }) => (day > latest ? day : latest), '')
  const covered = dates.filter((date) => date <= last)
  const taken = new Set(plan.machines.map(({ name }) => name))
  for (const each of billedMachines(lines, resources, length).machines) {
    const [{ provider = '', resourceName = '', resourceId = '' } = {}] = each.lines
    const id = books.find((book) =>
      [book.provider.id, book.provider.name].some((name) => plainName(name) === plainName(provider)),
    )?.provider.id
    const book = id === undefined ? undefined : priceBookFor(id, books, month)
    if (!book || taken.has(each.name)) continue
    const { windows } = billedWeek(covered, each.seconds)
    const known = plan.weeks.find((week) => isSame(week, windows))
    const week = known ?? {
      id: freeId(each.name, plan.weeks),
      name: `As billed: ${each.name}`.slice(0, 60),
      timeZone: plan.weeks[0]?.timeZone ?? book.billingZone,
      windows,
      exceptions: [],
    }
    const machine = machineAsBilled(each, book, week, length)
    if (machine) found.set(resourceName || resourceId, { machine, week, isNewWeek: !known })
  }
  return found
}

const isSame = (
  { windows, exceptions, autoShutdown, habits }: WeekPlan,
  other: WeekPlan['windows'],
): boolean =>
  exceptions.length === 0 &&
  !autoShutdown &&
  !habits &&
  JSON.stringify(windows.map(({ day, from, to }) => [day, from, to])) ===
    JSON.stringify(other.map(({ day, from, to }) => [day, from, to]))

function freeId(name: string, weeks: readonly WeekPlan[]): string {
  const plain = `billed-${plainName(name).slice(0, LONGEST_ID) || 'machine'}`
  const taken = new Set(weeks.map(({ id }) => id))
  for (let count = 1; ; count += 1) {
    const id = count === 1 ? plain : `${plain}-${count}`
    if (!taken.has(id)) return id
  }
}

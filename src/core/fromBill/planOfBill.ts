import type { BillLine, BillResource } from '../bill/billLine.ts'
import { datesOfMonth } from '../calendar/datesOfMonth.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { MOST_DATA_DISKS, MOST_MACHINES, type Disk, type Machine, type Plan } from '../machine/plan.ts'
import { idOf } from '../pricelist/idOf.ts'
import { gib, seconds } from '../quantity/units.ts'
import { billedMachines, type BilledMachine } from './billedMachines.ts'
import { BilledBook } from './BilledBook.ts'
import { freeMachineName } from './freeMachineName.ts'
import { billedWeek } from './billedWeek.ts'

export interface PlanOfBill {
  readonly plan: Plan
  readonly books: readonly PriceBook[]
  /** How well its week fits each machine’s days, 0 to 1, by name. */
  readonly fits: ReadonlyMap<string, number>
  /** Lines of resources that are of no machine. */
  readonly others: readonly BillLine[]
}

const SECONDS_PER_DAY = 86_400

/**
 * A plan of what is on one month’s bill, and a book of its prices for each provider and currency: machines with size,
 * place, image, disks and hours as billed. Hours are put into weeks by how many each weekday usually has. O(lines).
 */
export function planOfBill(
  lines: readonly BillLine[],
  resources: readonly BillResource[],
  month: YearMonth,
  timeZone: string,
): PlanOfBill {
  const dates = datesOfMonth(month)
  const length = seconds(dates.length * SECONDS_PER_DAY)
  const own = lines.filter(({ period }) => period.startsWith(month))
  const last = own.reduce((latest, { day }) => (day > latest ? day : latest), '')
  const covered = dates.filter((date) => date <= last)
  const books = new Map<string, BilledBook>()
  const weeks = new Map<string, WeekPlan>()
  const fits = new Map<string, number>()
  const machines: Machine[] = []
  const others: BillLine[] = []
  const names = new Set<string>()
  const ids = new Set<string>()
  for (const [key, some] of byAccount(own)) {
    const { provider, currency } = some[0]!
    const name = provider || 'Billed'
    // Beside a book of the same provider, and in the place of none: this one knows few sizes.
    const id = idOf(`${name} as billed`, ids, 'billed')
    ids.add(id)
    const book = new BilledBook({ id, name: `${name.slice(0, 40)}, as billed` }, currency, month, length)
    const found = billedMachines(some, resources, length)
    others.push(...found.others)
    for (const billed of found.machines) {
      if (machines.length >= MOST_MACHINES) {
        others.push(...billed.lines)
        continue
      }
      const { windows, fit } = billedWeek(covered, billed.seconds)
      const week = weekFor(weeks, windows, timeZone)
      const machine = machineOf(billed, book, week, freeMachineName(billed.name, names))
      names.add(machine.name)
      machines.push(machine)
      fits.set(machine.name, fit)
    }
    if (found.machines.length > 0) books.set(key, book)
  }
  return {
    plan: {
      name: `As billed in ${month}`,
      month,
      weeks: [...weeks.values()],
      machines,
      providers: [...books.values()].map(({ provider: { id } }) => ({ id })),
    },
    books: [...books.values()].map((book) => book.book()),
    fits,
    others,
  }
}

function byAccount(lines: readonly BillLine[]): Map<string, BillLine[]> {
  const found = new Map<string, BillLine[]>()
  for (const line of lines) {
    const key = `${line.provider}\n${line.currency}`
    const own = found.get(key)
    if (own) own.push(line)
    else found.set(key, [line])
  }
  return found
}

/** Machines with the same hours share a week. */
function weekFor(weeks: Map<string, WeekPlan>, windows: WeekPlan['windows'], timeZone: string): WeekPlan {
  const key = windows.map(({ day, from, to }) => `${day} ${from} ${to}`).join(',')
  let week = weeks.get(key)
  if (!week) {
    const minutes = windows.reduce((sum, { from, to }) => sum + to - from, 0)
    const number = weeks.size + 1
    const name = minutes === 7 * 1_440 ? 'Always on' : `${Math.round(minutes / 6) / 10} h a week`
    const taken = new Set([...weeks.values()].map((each) => each.name))
    week = {
      id: `billed-${number}`,
      name: taken.has(name) ? `${name} (${number})` : name,
      timeZone,
      windows,
      exceptions: [],
    }
    weeks.set(key, week)
  }
  return week
}

function machineOf(billed: BilledMachine, book: BilledBook, week: WeekPlan, name: string): Machine {
  const { region, zone, size, image, terms, disks, hasAddress, trafficGiB } = book.add(billed)
  const [system, ...data] = disks.map(({ kind, roomGiB }): Disk => ({ kind, roomGiB: gib(roomGiB) })) as [
    Disk,
    ...Disk[],
  ]
  return {
    name,
    purpose: '',
    needs: { vcpu: 0, memoryGiB: gib(0), iops: 0 },
    provider: book.provider.id,
    region,
    zone,
    size,
    image,
    terms,
    systemDisk: system,
    dataDisks: data.slice(0, MOST_DATA_DISKS),
    address: hasAddress ? 'fixed' : 'none',
    ...(trafficGiB > 0 && { trafficOutGiB: gib(trafficGiB) }),
    week: week.id,
    off: 'deallocated',
  }
}

import { ownValue } from '../ownValue.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { BookIndex, RegionIndex } from '../catalogue/bookIndex.ts'
import type { DiskKind, Image, Size, Terms } from '../catalogue/priceBook.ts'
import { sizeRates } from '../catalogue/sizeRates.ts'
import { keptFor } from '../keptFor.ts'
import { accept, refuse, type Outcome } from '../outcome.ts'
import { apartOf, isSameApart, type Apart } from './apart.ts'
import { chosenSize } from './chosenSize.ts'
import type { Held } from './held.ts'
import type { UserPlace } from './needs.ts'
import type { Disk, Machine, Plan } from './plan.ts'

/** A machine with everything that its names stand for. */
export interface ResolvedMachine {
  readonly machine: Machine
  readonly index: BookIndex
  /** With the vCPU and memory that the machine chose, where the size leaves them to choose. */
  readonly size: Size
  readonly region: RegionIndex
  readonly image: Image
  readonly terms: Terms
  readonly systemKind: DiskKind
  readonly dataKinds: readonly DiskKind[]
  readonly week: WeekPlan
  /** The places that its needs name. */
  readonly users: readonly UserPlace[]
  /** The machines that it must not fall with. */
  readonly apart?: Apart
  /** What the machine had before it was changed, and must keep; undefined where a machine is only looked at as it is. */
  readonly held: Held | undefined
}

/** What a machine's names may refer to beside its price book. */
export type PlanParts = Pick<Plan, 'weeks' | 'places'> &
  Partial<Pick<Plan, 'apartGroups' | 'machines'>> & { readonly held?: Held }

/** A disk of a machine: position 0 is the system disk, data disks count from 1. */
export interface ResolvedDisk {
  readonly position: number
  readonly disk: Disk
  readonly kind: DiskKind
}

export const disksOf = ({ machine, systemKind, dataKinds }: ResolvedMachine): ResolvedDisk[] => [
  { position: 0, disk: machine.systemDisk, kind: systemKind },
  ...machine.dataDisks.map((disk, i) => ({ position: i + 1, disk, kind: dataKinds[i]! })),
]

/** `field` is the JSON Pointer of the name inside the machine; `known` lists a few names that would do. */
export type ReferenceIssue =
  | {
      readonly code: 'unknown-name'
      readonly field: string
      readonly found: string
      readonly known: readonly string[]
      /** What the book says took its place. */
      readonly replacedBy?: string
    }
  | {
      readonly code: 'not-sold'
      readonly field: string
      readonly found: string
      readonly region: string
      readonly terms: string
      /** Terms on which the region does sell it. */
      readonly soldOn: readonly string[]
    }

interface Resolution {
  readonly weeks: Plan['weeks']
  readonly places: Plan['places'] | undefined
  readonly apart: Apart | undefined
  readonly held: Held | undefined
  readonly index: BookIndex
  readonly outcome: Outcome<ResolvedMachine, ReferenceIssue>
}

/** A pure memo of the last answer: every month of a year asks the same. */
const resolutions = new WeakMap<Machine, Resolution>()

/** Looks up every name; refused with each one that the book, or the plan's weeks, do not hold. */
export function resolveMachine(
  machine: Machine,
  plan: PlanParts,
  index: BookIndex,
): Outcome<ResolvedMachine, ReferenceIssue> {
  const { weeks, places, held } = plan
  const apart = apartOf(machine, plan)
  const last = resolutions.get(machine)
  if (
    last?.index === index &&
    last.weeks === weeks &&
    last.places === places &&
    last.held === held &&
    isSameApart(last.apart, apart)
  )
    return last.outcome
  const outcome = lookUp(machine, plan, apart, index)
  resolutions.set(machine, { weeks, places, apart, held, index, outcome })
  return outcome
}

function lookUp(
  machine: Machine,
  { weeks, places = [], held }: PlanParts,
  apart: Apart | undefined,
  index: BookIndex,
): Outcome<ResolvedMachine, ReferenceIssue> {
  const issues: ReferenceIssue[] = []
  const find = <T>(field: string, found: string, all: ReadonlyMap<string, T>): T | undefined => {
    const value = all.get(found)
    if (value === undefined) issues.push(unknown(field, found, [...all.keys()]))
    return value
  }
  const size = index.sizes.get(machine.size)
  if (!size) issues.push(withdrawnSize(machine.size, index))
  const region = find('/region', machine.region, index.regions)
  const image = find('/image', machine.image, index.images)
  const terms = find('/terms', machine.terms, index.terms)
  const systemKind = find('/systemDisk/kind', machine.systemDisk.kind, index.diskKinds)
  const dataKinds = machine.dataDisks.map((disk, i) =>
    find(`/dataDisks/${i}/kind`, disk.kind, index.diskKinds),
  )
  const week = find('/week', machine.week, weeksById(weeks))
  if (region && !region.region.zones.includes(machine.zone)) {
    issues.push(unknown('/zone', machine.zone, region.region.zones))
  }
  if (size && region && terms && !sizeRates(region, size.id, terms)) {
    issues.push(notSold(size, region, terms, index))
  }
  const [first, ...rest] = issues
  if (first) return refuse(first, ...rest)
  return accept({
    machine,
    index,
    size: chosenSize(size!, machine.chosen),
    region: region!,
    image: image!,
    terms: terms!,
    systemKind: systemKind!,
    dataKinds: dataKinds as DiskKind[],
    week: week!,
    users: usersOf(machine, places),
    ...(apart && { apart }),
    held,
  })
}

const weeksById = keptFor(
  (weeks: readonly WeekPlan[]): ReadonlyMap<string, WeekPlan> =>
    new Map(weeks.map((week) => [week.id, week])),
)

const NOBODY: readonly UserPlace[] = []

const usersOf = ({ needs: { usedFrom } }: Machine, places: readonly UserPlace[]): readonly UserPlace[] =>
  usedFrom ? places.filter(({ name }) => usedFrom.includes(name)) : NOBODY

const notSold = (size: Size, region: RegionIndex, terms: Terms, index: BookIndex): ReferenceIssue => ({
  code: 'not-sold',
  field: '/size',
  found: size.name,
  region: region.region.name,
  terms: terms.name,
  soldOn: index.book.terms.filter((other) => sizeRates(region, size.id, other)).map(({ name }) => name),
})

function withdrawnSize(found: string, { sizes, book }: BookIndex): ReferenceIssue {
  let replacedBy = ownValue(book.replacedSizes, found)
  // A checked book has no cycle here.
  while (replacedBy !== undefined && !sizes.has(replacedBy))
    replacedBy = ownValue(book.replacedSizes, replacedBy)
  const issue = unknown('/size', found, [...sizes.keys()])
  return replacedBy === undefined ? issue : { ...issue, replacedBy }
}

const unknown = (
  field: string,
  found: string,
  known: readonly string[],
): Extract<ReferenceIssue, { code: 'unknown-name' }> => ({
  code: 'unknown-name',
  field,
  found,
  known: known.slice(0, 8),
})

import type { WeekPlan } from '../calendar/weekPlan.ts'
import { sizeRate, type BookIndex, type RegionIndex } from '../catalogue/bookIndex.ts'
import type { DiskKind, Image, Size } from '../catalogue/priceBook.ts'
import { accept, refuse, type Outcome } from '../outcome.ts'
import type { Machine } from './plan.ts'

/** A machine with everything that its names stand for. */
export interface ResolvedMachine {
  readonly machine: Machine
  readonly index: BookIndex
  readonly size: Size
  readonly region: RegionIndex
  readonly image: Image
  readonly systemKind: DiskKind
  readonly dataKinds: readonly DiskKind[]
  readonly week: WeekPlan
}

/** `field` is the JSON Pointer of the name inside the machine; `known` lists a few names that would do. */
export type ReferenceIssue =
  | {
      readonly code: 'unknown-name'
      readonly field: string
      readonly found: string
      readonly known: readonly string[]
    }
  | { readonly code: 'no-price'; readonly field: string; readonly found: string; readonly region: string }
  | { readonly code: 'terms-not-priced'; readonly field: string; readonly found: string }

/** Looks up every name; refused with each one that the book, or the plan's weeks, do not hold. */
export function resolveMachine(
  machine: Machine,
  weeks: readonly WeekPlan[],
  index: BookIndex | undefined,
  providers: readonly string[] = [],
): Outcome<ResolvedMachine, ReferenceIssue> {
  if (!index) return refuse(unknown('/provider', machine.provider, providers))
  const issues: ReferenceIssue[] = []
  const find = <T>(field: string, found: string, all: ReadonlyMap<string, T>): T | undefined => {
    const value = all.get(found)
    if (!value) issues.push(unknown(field, found, [...all.keys()]))
    return value
  }
  const size = find('/size', machine.size, index.sizes)
  const region = find('/region', machine.region, index.regions)
  const image = find('/image', machine.image, index.images)
  const systemKind = find('/systemDisk/kind', machine.systemDisk.kind, index.diskKinds)
  const dataKinds = machine.dataDisks.map((disk, i) =>
    find(`/dataDisks/${i}/kind`, disk.kind, index.diskKinds),
  )
  const week = weeks.find(({ id }) => id === machine.week)
  if (!week)
    issues.push(
      unknown(
        '/week',
        machine.week,
        weeks.map(({ id }) => id),
      ),
    )
  if (region && !region.region.zones.includes(machine.zone)) {
    issues.push(unknown('/zone', machine.zone, region.region.zones))
  }
  issues.push(...termsIssues(machine, index))
  if (size && region && !sizeRate(region, size.id)) {
    issues.push({ code: 'no-price', field: '/size', found: size.name, region: region.region.name })
  }
  const [first, ...rest] = issues
  if (first) return refuse(first, ...rest)
  return accept({
    machine,
    index,
    size: size!,
    region: region!,
    image: image!,
    systemKind: systemKind!,
    dataKinds: dataKinds as DiskKind[],
    week: week!,
  })
}

function termsIssues(machine: Machine, index: BookIndex): ReferenceIssue[] {
  const terms = index.book.terms.find(({ id }) => id === machine.terms)
  if (!terms)
    return [
      unknown(
        '/terms',
        machine.terms,
        index.book.terms.map(({ id }) => id),
      ),
    ]
  if (terms.kind !== 'on-demand') return [{ code: 'terms-not-priced', field: '/terms', found: terms.name }]
  return []
}

const unknown = (field: string, found: string, known: readonly string[]): ReferenceIssue => ({
  code: 'unknown-name',
  field,
  found,
  known: known.slice(0, 8),
})

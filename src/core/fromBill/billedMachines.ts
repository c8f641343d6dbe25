import type { BillLine, BillResource } from '../bill/billLine.ts'
import { hoursByDay } from '../reconcile/hoursByDay.ts'
import { meterClass } from '../reconcile/meterClass.ts'
import { tieLines } from '../reconcile/tieLines.ts'
import { toNumber } from '../quantity/exact.ts'
import type { Seconds } from '../quantity/units.ts'

/** A machine as its bill has it. */
export interface BilledMachine {
  readonly name: string
  /** Of usage in one currency of one provider. */
  readonly lines: readonly BillLine[]
  readonly details: ReadonlyMap<string, unknown>
  /** What it says of each of its resources. */
  readonly resources: ReadonlyMap<string, ReadonlyMap<string, unknown>>
  /** Seconds of machine time by day. */
  readonly seconds: ReadonlyMap<string, number>
}

export interface BilledMachines {
  readonly machines: readonly BilledMachine[]
  /** Lines of usage that are of no machine. */
  readonly others: readonly BillLine[]
}

const nameOf = ({ resourceName, resourceId }: BillLine): string => resourceName || lastStep(resourceId)

const lastStep = (id: string): string => id.split(/[/:]/).filter(Boolean).at(-1) ?? id

/** What has machine time is a machine; disks and addresses go with the one whose name they bear. O(lines). */
export function billedMachines(
  lines: readonly BillLine[],
  resources: readonly BillResource[],
  month: Seconds,
): BilledMachines {
  const usage = lines.filter(({ category, isCorrection }) => category === 'usage' && !isCorrection)
  const names = [...new Set(usage.filter((line) => meterClass(line) === 'machine-time').map(nameOf))]
  const owners = tieLines(usage, names, resources)
  const own = new Map<string, BillLine[]>(names.map((name) => [name, []]))
  const others: BillLine[] = []
  usage.forEach((line, i) => {
    const owner = meterClass(line) === 'machine-time' ? nameOf(line) : owners[i]
    const found = owner === undefined ? undefined : own.get(owner)
    if (found) found.push(line)
    else others.push(line)
  })
  const byId = new Map(resources.map((resource) => [resource.id, resource]))
  return {
    machines: [...own].map(([name, ownLines]) => ({
      name,
      lines: ownLines,
      details: mergedDetails(
        ownLines.filter((line) => meterClass(line) === 'machine-time').map(({ resourceId }) => resourceId),
        byId,
      ),
      resources: new Map(
        [...new Set(ownLines.map(({ resourceId }) => resourceId))].map((id) => [
          id,
          mergedDetails([id], byId),
        ]),
      ),
      seconds: new Map([...hoursByDay(ownLines, month)].map(([day, time]) => [day, toNumber(time)])),
    })),
    others,
  }
}

/** What the bill says of some resources, whichever meter says it. */
function mergedDetails(
  ids: readonly string[],
  byId: ReadonlyMap<string, BillResource>,
): ReadonlyMap<string, unknown> {
  const found = new Map<string, unknown>()
  for (const id of new Set(ids)) {
    for (const details of byId.get(id)?.details.values() ?? []) {
      for (const [key, value] of Object.entries(details)) found.set(key, value)
    }
  }
  return found
}

import { CHARGE_CATEGORIES, type BillLine, type BillResource, type ChargeCategory } from '../bill/billLine.ts'
import { METER_CLASSES, meterClass, type MeterClass } from './meterClass.ts'
import { tieLines, type Ties } from './tieLines.ts'

export interface LinesInputs {
  readonly planned: readonly BillLine[]
  readonly billed: readonly BillLine[]
  readonly resources?: readonly BillResource[]
  readonly ties?: Ties
}

/** What plan and bill say of one meter of a machine on one day: all that a cause rests on. */
export interface DayBeside {
  readonly day: string
  readonly category: ChargeCategory
  /** Undefined for what is about no service. */
  readonly meter: MeterClass | undefined
  readonly planned: readonly BillLine[]
  readonly billed: readonly BillLine[]
}

/**
 * The plan’s lines of a machine, and the bill’s of all resources that are tied to it, side by side in the order of days,
 * meters within a day. `of` is a machine of the plan, or the name of what is on the bill alone. O(lines).
 */
export function linesBeside({ planned, billed, resources, ties }: LinesInputs, of: string): DayBeside[] {
  const machines = [...new Set(planned.map(({ resourceName }) => resourceName))]
  const owners = tieLines(billed, machines, resources, ties)
  const found = new Map<string, { planned: BillLine[]; billed: BillLine[] }>()
  const put = (line: BillLine, side: 'planned' | 'billed'): void => {
    const key = keyOf(line)
    const known = found.get(key)
    if (known) known[side].push(line)
    else found.set(key, { planned: [], billed: [], [side]: [line] })
  }
  for (const line of planned) if (line.resourceName === of) put(line, 'planned')
  billed.forEach((line, i) => {
    if ((owners[i] ?? (line.resourceName || line.resourceId)) === of) put(line, 'billed')
  })
  return [...found]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([, sides]) => {
      const [first] = [...sides.planned, ...sides.billed]
      return { day: first!.day, category: first!.category, meter: meterClass(first!), ...sides }
    })
}

/** In the order in which they are shown. */
const keyOf = (line: BillLine): string => {
  const meter = meterClass(line)
  const at = meter === undefined ? METER_CLASSES.length : METER_CLASSES.indexOf(meter)
  return `${line.day} ${CHARGE_CATEGORIES.indexOf(line.category)} ${at}`
}

import { parseDecimal, toDecimal, trimDecimal } from '../../core/quantity/decimal.ts'
import { add, isZero, subtract, ZERO, type Exact } from '../../core/quantity/exact.ts'
import { roundParts } from '../../core/quantity/roundParts.ts'
import type { EstimateReport } from './estimateReport.ts'
import type { TableDigits } from './estimateTable.ts'

type MachineReport = EstimateReport['machines'][number]

/** An amount before and after; absent where there is none. Decimal text, exact to 12 decimals. */
export interface Compared {
  readonly before?: string
  readonly after?: string
  /** After less before; absent where the currencies are not the same. */
  readonly difference?: string
}

interface ComparedMachine extends Compared {
  readonly name: string
  readonly currency: string
  /** Lines that are not the same, by what they are for. */
  readonly lines: readonly (Compared & { readonly what: string })[]
}

export interface Comparison {
  /** Those that are not the same, in the order of the first plan, then those that are new. */
  readonly machines: readonly ComparedMachine[]
  readonly same: number
  /** `shown` is to the cent, as the screen has both plans' totals. */
  readonly total: Compared & { readonly currency: string; readonly shown: Compared }
}

/**
 * Two estimates line by line: of two plans, or of a plan and what it was. With fewer decimals, lines are rounded so that
 * they add up to their machine's total, and each difference is that of the two figures beside it.
 */
export function compareReports(
  before: EstimateReport,
  after: EstimateReport,
  decimals: TableDigits = 12,
): Comparison {
  const [then, now] = [before, after].map(
    ({ machines }) => new Map(machines.map((each) => [each.name, each])),
  ) as [Map<string, MachineReport>, Map<string, MachineReport>]
  const names = [...new Set([...then.keys(), ...now.keys()])]
  const machines = names
    .map((name) => compareMachine(name, then.get(name), now.get(name), decimals))
    .filter(({ lines, difference }) => lines.length > 0 || difference !== '0')
  const sameCurrency = before.total.currency === after.total.currency
  const [was, is] = decimals === 12 ? [before.total, after.total] : [before.total.shown, after.total.shown]
  return {
    machines,
    same: names.length - machines.length,
    total: {
      currency: after.total.currency,
      ...compared(was.planned, is.planned, sameCurrency, decimals),
      shown: compared(before.total.shown.planned, after.total.shown.planned, sameCurrency, 2),
    },
  }
}

function compareMachine(
  name: string,
  was: MachineReport | undefined,
  is: MachineReport | undefined,
  decimals: TableDigits,
): ComparedMachine {
  const sameCurrency = !was || !is || was.currency === is.currency
  const [old, fresh] = [linesOf(was, decimals), linesOf(is, decimals)]
  const lines = [...new Set([...old.keys(), ...fresh.keys()])].flatMap((what) => {
    const line = compared(old.get(what), fresh.get(what), sameCurrency, decimals)
    return line.difference === '0' ? [] : [{ what, ...line }]
  })
  const total = (of: MachineReport | undefined) => of && text(parsed(of.total), decimals)
  return {
    name,
    currency: (is ?? was)!.currency,
    ...compared(total(was), total(is), sameCurrency, decimals),
    lines,
  }
}

function compared(
  before: string | undefined,
  after: string | undefined,
  sameCurrency: boolean,
  decimals: TableDigits,
): Compared {
  const difference = subtract(parsed(after), parsed(before))
  return {
    ...(before !== undefined && { before }),
    ...(after !== undefined && { after }),
    ...(sameCurrency && { difference: isZero(difference) ? '0' : text(difference, decimals) }),
  }
}

const parsed = (amount: string | undefined): Exact => (amount === undefined ? ZERO : parseDecimal(amount)!)

const text = (amount: Exact, decimals: TableDigits): string => {
  const decimal = toDecimal(amount, decimals)
  return decimals === 12 ? trimDecimal(decimal) : decimal
}

/** Sums of a machine's lines by what they are for: the size, the disk at a place, the address in a use. */
function linesOf(machine: MachineReport | undefined, decimals: TableDigits): Map<string, string> {
  const sums = new Map<string, Exact>()
  for (const { meter, subject, amount } of machine?.lines ?? []) {
    const part =
      'position' in subject ? ` ${subject.position}` : subject.of === 'address' ? ` ${subject.use}` : ''
    const what = `${meter}${part}`
    sums.set(what, add(sums.get(what) ?? ZERO, parseDecimal(amount)!))
  }
  const { parts } = roundParts([...sums.values()], decimals)
  return new Map([...sums.keys()].map((what, i) => [what, text(parsed(parts[i]), decimals)]))
}

import { currencyIn, isOneCurrency } from '../table/currencyText.ts'
import { priceUnitIn, type PricePeriod, type PriceUnit } from '../table/priceUnit.ts'
import { binaryUnit, roomUnitIn, type RoomUnit } from '../table/roomUnit.ts'
import { isNamed } from './columnFinder.ts'
import type { ColumnTraits } from '../table/columnTraits.ts'
import {
  MEMORY_UNITS,
  type ListUnits,
  type MappingQuestion,
  type MemoryUnit,
  type RowKind,
} from './listMapping.ts'
import { termOfText } from './termOfText.ts'

export interface UnitClues {
  readonly is: RowKind
  readonly vcpu?: ColumnTraits | undefined
  readonly memory?: ColumnTraits | undefined
  readonly priced: readonly ColumnTraits[]
  /** What a row says of its price's unit. */
  readonly unit?: ColumnTraits | undefined
  readonly traits: readonly ColumnTraits[]
  /** The table's name, and what stands above its headings. */
  readonly about: string
}

/** How the figures of some rows are counted; what nothing says is guessed and told. */
export function proposeUnits(clues: UnitClues, unsure: Set<MappingQuestion>): ListUnits {
  const { is, vcpu, priced, about } = clues
  const said = vcpu?.words ?? []
  const countsCores =
    said.some((word) => /^(cores?|kerne|kernen|coeurs|nucleos)$/.test(word)) &&
    !said.some((word) => /^(v|virt.*|logical|logisch|logiques?|logicos?|vcpus?|vcores?)$/.test(word))
  if (countsCores) unsure.add('vcpuPerCount')
  const period = periodOf(clues)
  if (!period.isSure) unsure.add('period')
  const headed = [...priced.map(headingUnit), priceUnitIn(about)]
  const count = headed.find((each) => each.count !== undefined)?.count ?? 1
  const parts = headed.find((each) => each.parts !== undefined)?.parts
  if (count > 1) unsure.add('perCount')
  if (parts !== undefined) unsure.add('parts')
  const each = is === 'size-price' ? headed.find((unit) => unit.each !== undefined)?.each : undefined
  if (each) unsure.add('each')
  const mark = priced[0]?.mark
  return {
    memory: is === 'size-price' ? memoryUnitOf(clues, unsure) : 'GiB',
    vcpuPerCount: countsCores ? 2 : 1,
    period: period.value,
    perCount: count,
    ...(parts !== undefined && { parts }),
    ...(each && { each }),
    diskRoom: is === 'size-price' ? 'GiB' : roomUnitOf(clues, unsure),
    ...(mark && { decimalMark: mark.mark }),
  }
}

/** A heading that names a term says nothing of what a price is for. */
const headingUnit = ({ column }: ColumnTraits): PriceUnit =>
  termOfText(column)?.is === 'commitment' ? {} : priceUnitIn(column)

const listed = (unit: RoomUnit): MemoryUnit => MEMORY_UNITS.find((each) => each === unit) ?? 'GiB'

/** The trade writes GB of memory, and means GiB. */
function memoryUnitOf({ memory, traits }: UnitClues, unsure: Set<MappingQuestion>): MemoryUnit {
  const beside = traits.filter(
    ({ words }) =>
      words.includes('unit') && memory?.words.some((word) => word !== 'value' && words.includes(word)),
  )
  const texts = memory
    ? [memory.column, ...beside.flatMap(({ distinct }) => distinct), memory.filled[0] ?? '']
    : traits.flatMap(({ column, filled }) => [column, filled[0] ?? ''])
  const unit = texts.map(roomUnitIn).find((each) => each !== undefined)
  if (unit) return listed(binaryUnit(unit))
  unsure.add('memory')
  return (memory?.median ?? 0) > 2_000 ? 'MiB' : 'GiB'
}

/** GB of disks and traffic is asked for: some write it and mean GiB. */
function roomUnitOf({ priced, unit, traits }: UnitClues, unsure: Set<MappingQuestion>): MemoryUnit {
  const said = [...priced, ...(unit ? [unit] : []), ...traits]
    .flatMap(({ column, filled }) => [roomUnitIn(column), roomUnitIn(filled[0] ?? '')])
    .find((each) => each !== undefined)
  if (!said?.includes('i')) unsure.add('diskRoom')
  return said ? listed(said) : 'GiB'
}

/** Shares of the cells that must say it themselves before nothing is asked. */
const NEARLY_ALL = 0.9

function periodOf({ is, priced, unit, traits, about }: UnitClues): {
  readonly value: PricePeriod
  readonly isSure: boolean
} {
  const saying = (column: ColumnTraits): readonly (PricePeriod | undefined)[] =>
    column.filled.map((cell) => priceUnitIn(cell.replace(/^\W*\d[\d.,]*/, ' ')).period)
  const [own] = priced.map(saying).filter((periods) => periods.some((each) => each !== undefined))
  const headed = [
    ...priced.map(headingUnit),
    ...[...(unit ? [unit] : []), ...traits.filter((each) => isNamed(each, 'unit'))].flatMap(
      ({ column, filled }) => [priceUnitIn(filled[0] ?? ''), priceUnitIn(column)],
    ),
    priceUnitIn(about),
  ].find(({ period }) => period !== undefined)?.period
  if (headed) return { value: headed, isSure: true }
  const inCells = own?.find((period) => period !== undefined)
  if (inCells)
    return {
      value: inCells,
      isSure: own!.filter((period) => period !== undefined).length >= own!.length * NEARLY_ALL,
    }
  // A GiB of traffic is sent once.
  if (is === 'traffic-price') return { value: 'month', isSure: true }
  if (is !== 'size-price') return { value: 'month', isSure: false }
  // Machines that cost this much an hour are rare, and so are months below it.
  return { value: (priced[0]?.median ?? 0) > 4 ? 'month' : 'hour', isSure: false }
}

/** The currency that codes in a column, cells or headings say: of several the one that most cells name. */
export function proposeCurrency(
  coded: ColumnTraits | undefined,
  priced: readonly ColumnTraits[],
  texts: readonly string[],
): { readonly code: string; readonly isSure: boolean } | undefined {
  if (coded) return mostSaid(coded.filled.flatMap((cell) => currencyIn(cell) ?? []))
  const inCells = priced.flatMap(({ filled }) => filled.flatMap((cell) => currencyIn(cell) ?? []))
  if (inCells.length > 0) return mostSaid(inCells)
  for (const text of [...priced.map(({ column }) => column), ...texts]) {
    const said = currencyIn(text)
    if (said) return { code: said.codes[0], isSure: isOneCurrency(said) }
  }
  return undefined
}

function mostSaid(said: readonly { readonly codes: readonly [string, ...string[]] }[]) {
  const counts = new Map<string, number>()
  for (const { codes } of said) counts.set(codes[0], (counts.get(codes[0]) ?? 0) + 1)
  const [code] = [...counts].sort((a, b) => b[1] - a[1])[0]!
  return { code, isSure: counts.size === 1 && said.every(({ codes }) => codes.length === 1) }
}

/** Whether a column holds currencies and nothing else, by their codes or names. */
export const isCurrencies = ({ distinct }: ColumnTraits): boolean =>
  distinct.length > 0 && distinct.every((cell) => cell.length <= 16 && !/\d/.test(cell) && currencyIn(cell))

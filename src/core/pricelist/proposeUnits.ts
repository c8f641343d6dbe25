import { isNamed } from './columnFinder.ts'
import type { ColumnTraits } from './columnTraits.ts'
import type { ListUnits, MappingQuestion, MemoryUnit, PricePeriod, RowKind } from './listMapping.ts'
import { CURRENCY_CODES, currencyOfSign } from './listWords.ts'
import type { DecimalMark } from './readFigure.ts'
import { periodOfText, termOfText } from './termOfText.ts'
import { wordsIn } from '../quantity/wordsIn.ts'

export interface UnitClues {
  readonly is: RowKind
  readonly vcpu?: ColumnTraits | undefined
  readonly memory?: ColumnTraits | undefined
  readonly priced: readonly ColumnTraits[]
  /** What a row says of its price's unit. */
  readonly unit?: ColumnTraits | undefined
  readonly traits: readonly ColumnTraits[]
  readonly mark: DecimalMark | undefined
  /** The table's name, and what stands above its headings. */
  readonly about: string
}

/** How the figures of some rows are counted; what nothing says is guessed and told. */
export function proposeUnits(clues: UnitClues, unsure: Set<MappingQuestion>): ListUnits {
  const { is, vcpu, priced, mark } = clues
  const said = vcpu?.words ?? []
  const countsCores =
    said.some((word) => /^(cores?|kerne|coeurs)$/.test(word)) &&
    !said.some((word) => /^(virtual|virtuell|v|logical|vcpus?)$/.test(word))
  if (countsCores) unsure.add('vcpuPerCount')
  const period = periodOf(clues)
  if (!period.isSure) unsure.add('period')
  const perCount = countOf(priced)
  if (perCount > 1) unsure.add('perCount')
  return {
    memory: is === 'size-price' ? memoryUnitOf(clues, unsure) : 'GiB',
    vcpuPerCount: countsCores ? 2 : 1,
    period: period.value,
    perCount,
    diskRoom: is === 'size-price' ? 'GiB' : roomUnitOf(clues, unsure),
    ...(mark && { decimalMark: mark }),
  }
}

function memoryUnitOf({ memory, traits }: UnitClues, unsure: Set<MappingQuestion>): MemoryUnit {
  const all = (): string => traits.map(({ column, filled }) => `${column} ${filled[0] ?? ''}`).join(' ')
  const beside = traits.filter(
    ({ words }) =>
      words.includes('unit') && memory?.words.some((word) => word !== 'value' && words.includes(word)),
  )
  const said = memory
    ? `${memory.column} ${memory.filled[0] ?? ''} ${beside.map(({ distinct }) => distinct.join(' ')).join(' ')}`
    : all()
  const unit = unitIn(said)
  if (unit === 'GiB' || unit === 'MiB') return unit
  // GB is written by many who mean GiB.
  unsure.add('memory')
  return unit ?? ((memory?.median ?? 0) > 2_000 ? 'MiB' : 'GiB')
}

function roomUnitOf({ priced, unit, traits }: UnitClues, unsure: Set<MappingQuestion>): MemoryUnit {
  const said = [...priced, ...(unit ? [unit] : []), ...traits]
    .map(({ column, filled }) => unitIn(`${column} ${filled[0] ?? ''}`))
    .find((each) => each)
  if (said !== 'GiB') unsure.add('diskRoom')
  return said ?? 'GiB'
}

function unitIn(text: string): MemoryUnit | undefined {
  if (/\bgib\b|gib(?![a-z])/i.test(text)) return 'GiB'
  if (/\bmib\b|mib(?![a-z])/i.test(text)) return 'MiB'
  if (/(?<![a-z])mb(?![a-z/])/i.test(text)) return 'MB'
  return /gb(?![a-z])/i.test(text) ? 'GB' : undefined
}

function periodOf({ is, priced, unit, traits, about }: UnitClues): {
  readonly value: PricePeriod
  readonly isSure: boolean
} {
  const texts = [
    // A heading that names a term says nothing of what a price is for.
    ...priced.map(
      ({ column, filled }) => `${termOfText(column)?.is === 'commitment' ? '' : column} ${filled[0] ?? ''}`,
    ),
    ...[...(unit ? [unit] : []), ...traits.filter((each) => isNamed(each, 'unit'))].map(
      ({ column, filled }) => `${column} ${filled[0] ?? ''}`,
    ),
    about,
  ]
  for (const text of texts) {
    const value = periodOfText(text)
    if (value) return { value, isSure: true }
  }
  // A GiB of traffic is sent once.
  if (is === 'traffic-price') return { value: 'month', isSure: true }
  if (is !== 'size-price') return { value: 'month', isSure: false }
  // Machines that cost this much an hour are rare, and so are months below it.
  return { value: (priced[0]?.median ?? 0) > 4 ? 'month' : 'hour', isSure: false }
}

function countOf(priced: readonly ColumnTraits[]): number {
  const found = priced.flatMap(
    ({ column }) => /\b(?:per|je|pour)\s*(1,?000|10,?000)\b/i.exec(column)?.[1] ?? [],
  )
  return found[0] === undefined ? 1 : Number(found[0].replace(',', ''))
}

/** The currency that codes in a column, headings or signs say. */
export function proposeCurrency(
  coded: ColumnTraits | undefined,
  priced: readonly ColumnTraits[],
  texts: readonly string[],
): { readonly code: string; readonly isSure: boolean } | undefined {
  if (coded) return { code: coded.distinct[0]!, isSure: coded.distinct.length === 1 }
  for (const { filled } of priced) {
    const sign = filled.length > 0 ? currencyOfSign(filled[0]!) : undefined
    if (sign) return { code: sign.currency, isSure: sign.isSure }
  }
  for (const column of texts) {
    const code = wordsIn(column).find((word) => CURRENCY_CODES.has(word))
    if (code) return { code: code.toUpperCase(), isSure: true }
    const sign = currencyOfSign(column)
    if (sign) return { code: sign.currency, isSure: sign.isSure }
  }
  return undefined
}

/** Whether a column holds codes of currencies. */
export const isCurrencies = ({ distinct }: ColumnTraits): boolean =>
  distinct.length > 0 && distinct.every((cell) => /^[A-Z]{3}$/.test(cell))

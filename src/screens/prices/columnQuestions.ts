import type { ListField, ListUnits, MappingQuestion, RowKind } from '../../core/pricelist/listMapping.ts'
import { ROW_FIELDS } from '../../core/pricelist/rowFields.ts'

/** Questions about how a field is counted, that with the largest effect first. */
const COUNTED: { readonly [Field in ListField]?: readonly (keyof ListUnits)[] } = {
  price: ['decimalMark', 'period', 'parts', 'perCount', 'each'],
  memory: ['memory'],
  vcpu: ['vcpuPerCount'],
  room: ['diskRoom'],
  bandFrom: ['diskRoom'],
  bandUpTo: ['diskRoom'],
  validFrom: ['dateOrder'],
  validTo: ['dateOrder'],
}

/** How what a column is taken for is counted, in rows of a kind. */
export function columnQuestions(roles: readonly ListField[], kind: RowKind): readonly (keyof ListUnits)[] {
  const asked = roles.flatMap((field) => COUNTED[field] ?? [])
  const isRoom = roles.includes('price') && kind !== 'size-price' && kind !== 'address-price'
  const all = new Set(isRoom ? [...asked, 'diskRoom' as const] : asked)
  return [...all].filter((question) => isAbout(question, kind))
}

/**
 * All questions by how much a wrong answer changes the money: decimals a thousand times, a period 730, cents a hundred,
 * and so on to names, which change none.
 */
const BY_MONEY: readonly MappingQuestion[] = [
  'decimalMark',
  'period',
  'parts',
  'perCount',
  'field/price',
  'prices',
  'each',
  'currency',
  'vcpuPerCount',
  'field/vcpu',
  'memory',
  'field/memory',
  'diskRoom',
  'dateOrder',
  'field/size',
  'field/place',
]

/** Whether a question is about rows of a kind: an answer would count nothing in others. */
export function isAbout(question: MappingQuestion, kind: RowKind): boolean {
  const { must, may } = ROW_FIELDS[kind]
  const field = question.startsWith('field/') ? question.slice('field/'.length) : undefined
  if (field !== undefined) return [...must, ...may].some((each) => each === field)
  if (question === 'memory' || question === 'vcpuPerCount' || question === 'each')
    return kind === 'size-price'
  if (question === 'diskRoom') return kind !== 'size-price' && kind !== 'address-price'
  return question !== 'period' || kind !== 'traffic-price'
}

/** Those of some that can be answered by one choice, the largest effect first. */
export const byMoney = (questions: ReadonlySet<MappingQuestion>): readonly MappingQuestion[] => [
  ...BY_MONEY.filter((question) => questions.has(question)),
  ...[...questions].filter((question) => question.startsWith('field/') && !BY_MONEY.includes(question)),
]

import type Joi from 'joi'
import { keptFor } from '../../core/keptFor.ts'
import { ownValue } from '../../core/ownValue.ts'

/** What a schema is made of; its description is not in Joi's build for browsers. */
interface Parts {
  readonly keys?: readonly { readonly key: string; readonly schema: Joi.Schema }[] | null
  readonly patterns?: readonly { readonly rule: Joi.Schema }[] | null
  readonly items?: readonly Joi.Schema[]
  readonly matches?: readonly {
    readonly schema?: Joi.Schema
    readonly switch?: readonly { readonly then: Joi.Schema }[]
  }[]
}

const partsOf = (schema: Joi.Schema): Parts => schema.$_terms as Parts

/** What a value follows: the schema itself, or the first of its alternatives that the value fits. */
function followed(schema: Joi.Schema, value: unknown): Joi.Schema {
  const { matches = [] } = partsOf(schema)
  const branches = matches.flatMap(({ schema: one, switch: cases = [] }) => [
    ...(one ? [one] : []),
    ...cases.map(({ then }) => then),
  ])
  return branches.find((branch) => branch.validate(value).error === undefined) ?? schema
}

/** The fields of each schema are found once. */
const fieldsOf = keptFor(
  (schema: Joi.Schema): ReadonlyMap<string, Joi.Schema> =>
    new Map((partsOf(schema).keys ?? []).map(({ key, schema: field }) => [key, field])),
)

/** Numbers before other text and by what they say; blanks are no numbers. */
function byText(a: string, b: string): number {
  const [left, right] = [a, b].map((text) => (text.trim() === '' ? NaN : Number(text))) as [number, number]
  if (Number.isNaN(left) !== Number.isNaN(right)) return Number.isNaN(left) ? 1 : -1
  const number = left - right
  return number || (a < b ? -1 : 1)
}

/** Fields in the order of their schema; what it does not name follows by its text. */
function inOrder(value: unknown, asked: Joi.Schema | undefined): unknown {
  if (typeof value !== 'object' || value === null) return value
  const schema = asked && followed(asked, value)
  if (Array.isArray(value)) {
    const items = schema && partsOf(schema).items?.[0]
    return value.map((item) => inOrder(item, items))
  }
  const fields = schema ? fieldsOf(schema) : NO_FIELDS
  const named = [...fields.keys()].filter((key) => Object.hasOwn(value, key))
  const others = Object.keys(value).filter((key) => !fields.has(key))
  const rule = schema && partsOf(schema).patterns?.[0]?.rule
  return Object.fromEntries(
    [...named, ...others.sort(byText)].map((key) => [
      key,
      inOrder(ownValue(value as Record<string, unknown>, key), fields.get(key) ?? rule),
    ]),
  )
}

const NO_FIELDS: ReadonlyMap<string, Joi.Schema> = new Map()

/** Characters from which on nobody reads a file line by line, and spaces are most of it. */
const LARGE = 8 * 1024 * 1024

/**
 * The same data always gives the same bytes: keys in the schema's order, two spaces, a newline at the end. Without spaces
 * where it is large, so that what is written is not larger than what is read.
 */
export function stableJson<T>(schema: Joi.Schema<T>, value: T): string {
  const ordered = inOrder(value, schema)
  const text = JSON.stringify(ordered, null, 2)
  return `${text.length > LARGE ? JSON.stringify(ordered) : text}\n`
}

import type Joi from 'joi'
import { ownValue } from '../../core/ownValue.ts'

/** JSON Schema, draft 7. */
export type JsonSchema = Readonly<Record<string, unknown>>

/** What Joi says of a schema (`describe`), as far as it is read here. */
interface Described {
  readonly type: string
  readonly flags?: {
    readonly presence?: string
    readonly description?: string
    readonly only?: boolean
    readonly unknown?: boolean
  }
  readonly allow?: readonly unknown[]
  readonly rules?: readonly {
    readonly name: string
    readonly args?: { readonly limit?: unknown; readonly regex?: string; readonly comparator?: unknown }
  }[]
  readonly metas?: readonly { readonly jsonSchema?: JsonSchema }[]
  readonly keys?: Readonly<Record<string, Described>>
  readonly patterns?: readonly { readonly schema: Described; readonly rule: Described }[]
  readonly items?: readonly Described[]
  readonly matches?: readonly {
    readonly schema?: Described
    readonly switch?: readonly { readonly then: Described }[]
  }[]
}

/** How a rule of Joi is said in JSON Schema, by type and rule; the other rules are beyond it. */
const LIMITS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  string: { min: 'minLength', max: 'maxLength' },
  number: { min: 'minimum', max: 'maximum', greater: 'exclusiveMinimum' },
  array: { min: 'minItems', max: 'maxItems' },
  object: { min: 'minProperties', max: 'maxProperties' },
}

/**
 * The JSON Schema of a Joi schema; what equals one of the definitions refers to it. Joi's build for browsers cannot
 * describe a schema: this is for the programs that write documents.
 */
export function jsonSchemaOf(
  schema: Joi.Schema,
  definitions: Readonly<Record<string, Joi.Schema>> = {},
): JsonSchema {
  const named = new Map(
    Object.entries(definitions).map(([name, each]) => [plainText(describe(each)), name] as const),
  )
  const refer = (each: Described, at: 'top' | 'inside' = 'inside'): JsonSchema => {
    const name = at === 'inside' ? named.get(plainText(each)) : undefined
    if (name === undefined) return convert(each, refer)
    return { $ref: `#/definitions/${name}`, ...ownDescription(each, ownValue(definitions, name)!) }
  }
  const whole = refer(describe(schema), 'top')
  if (named.size === 0) return whole
  const parts = Object.entries(definitions).map(
    ([name, each]) => [name, refer(describe(each), 'top')] as const,
  )
  return { ...whole, definitions: Object.fromEntries(parts) }
}

const describe = (schema: Joi.Schema): Described => schema.describe() as Described

/** What a place says of a thing beside what the thing says of itself. */
function ownDescription({ flags }: Described, definition: Joi.Schema): JsonSchema {
  const description = flags?.description
  return description === undefined || description === describe(definition).flags?.description
    ? {}
    : { description }
}

/** A schema without what a place says of it: whether it must be there, and what it is for. */
function plainText({ flags, ...rest }: Described): string {
  const { presence: _, description: __, ...others } = flags ?? {}
  return JSON.stringify([rest, others])
}

type Refer = (each: Described) => JsonSchema

function convert(each: Described, refer: Refer): JsonSchema {
  const facets = Object.assign({}, ...(each.metas ?? []).map(({ jsonSchema }) => jsonSchema)) as JsonSchema
  const description = describedAs(each)
  const all = { ...bodyOf(each, refer), ...facets, ...(description !== '' && { description }) }
  return Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined && value !== null))
}

function describedAs({ flags, rules = [] }: Described): string {
  const unique = rules.find(({ name, args }) => name === 'unique' && typeof args?.comparator === 'string')
  const apart = unique && `No two have the same ${String(unique.args!.comparator)}.`
  return [flags?.description, apart].filter(Boolean).join(' ')
}

function bodyOf(each: Described, refer: Refer): JsonSchema {
  if (each.flags?.only) return choiceOf(each.allow ?? [])
  switch (each.type) {
    case 'object':
      return { type: 'object', ...objectBody(each, refer), ...limitsOf(each) }
    case 'array': {
      const [items] = each.items ?? []
      return { type: 'array', ...(items && { items: refer(items) }), ...limitsOf(each) }
    }
    case 'alternatives':
      return { oneOf: branchesOf(each).map(refer) }
    case 'number':
      return {
        type: each.rules?.some(({ name }) => name === 'integer') ? 'integer' : 'number',
        ...limitsOf(each),
      }
    case 'string':
      return { type: 'string', ...textLimits(each) }
    default:
      return { type: each.type }
  }
}

const choiceOf = (allowed: readonly unknown[]): JsonSchema =>
  allowed.length === 1 ? { const: allowed[0] } : { enum: allowed }

/** What an object that is told apart by a field can be; what Joi says where none fits is no branch. */
const branchesOf = ({ matches = [] }: Described): Described[] =>
  matches.flatMap(({ schema, switch: cases = [] }) => [
    ...(schema ? [schema] : []),
    ...cases.map(({ then }) => then),
  ])

function objectBody({ keys, patterns, flags }: Described, refer: Refer): JsonSchema {
  if (patterns) {
    const [{ schema, rule }] = patterns as [{ schema: Described; rule: Described }]
    return { propertyNames: refer(schema), additionalProperties: refer(rule) }
  }
  if (!keys) return {}
  const fields = Object.entries(keys).filter(([, { flags }]) => flags?.presence !== 'forbidden')
  return {
    additionalProperties: flags?.unknown ? undefined : false,
    required: fields.filter(([, { flags }]) => flags?.presence === 'required').map(([key]) => key),
    properties: Object.fromEntries(fields.map(([key, field]) => [key, refer(field)])),
  }
}

function limitsOf({ type, rules = [] }: Described): JsonSchema {
  const limits: Record<string, unknown> = {}
  for (const { name, args } of rules) {
    const keyword = ownValue(ownValue(LIMITS, type), name)
    // A limit that another field sets is beyond JSON Schema.
    if (keyword !== undefined && typeof args?.limit === 'number') limits[keyword] = args.limit
    if (name === 'unique' && args?.comparator === undefined) limits.uniqueItems = true
  }
  return limits
}

/** No text is empty unless that is allowed, and then the pattern is for what is not. */
function textLimits(each: Described): JsonSchema {
  const mayBeEmpty = each.allow?.includes('') ?? false
  const regex = each.rules?.find(({ name }) => name === 'pattern')?.args?.regex
  const limits = {
    minLength: 1,
    ...(regex !== undefined && { pattern: sourceOf(regex) }),
    ...limitsOf(each),
  }
  return mayBeEmpty ? { ...limits, minLength: undefined, pattern: undefined } : limits
}

/** Digits are those of ASCII in every reader's patterns. */
const sourceOf = (regex: string): string =>
  regex.slice(1, regex.lastIndexOf('/')).replaceAll('\\/', '/').replaceAll('\\d', '[0-9]')

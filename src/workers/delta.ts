import { ownValue } from '../core/ownValue.ts'
import { keptText } from '../files/reading/keptText.ts'

/** A value, said by an earlier one that the other side holds. Plain data only. */
export type Delta =
  | { readonly is: 'same' }
  | { readonly is: 'value'; readonly value: unknown }
  /** A large record, as JSON. */
  | { readonly is: 'text'; readonly text: string }
  /** All fields of a record, in its order. */
  | { readonly is: 'fields'; readonly fields: readonly (readonly [string, Delta])[] }
  /** Entries of a list: where each stood in the earlier list, itself, or itself by the one that stood in its place. */
  | { readonly is: 'items'; readonly items: readonly DeltaItem[] }

type DeltaItem = number | { readonly item: unknown } | { readonly by: Delta }

/** A question, its plan, and the plan's lists: what lies deeper is sent whole where it changed. */
const DEPTH = 3

/** Within an entry of a list: a price book, its places, one of these, and its sizes. */
const ENTRY_DEPTH = 4

const SAME: Delta = { is: 'same' }

/** `next` by `last`: parts that are the very same objects are not sent again. O(fields and entries to that depth). */
export function deltaSince(last: unknown, next: unknown, depth = DEPTH): Delta {
  if (Object.is(last, next)) return SAME
  if (textOf(next) !== undefined) return whole(next)
  if (depth > 0 && Array.isArray(last) && Array.isArray(next)) return itemsSince(last, next, depth)
  if (depth > 0 && isRecord(last) && isRecord(next)) {
    const fields = Object.entries(next).map(
      ([field, value]) => [field, deltaSince(ownValue(last, field), value, depth - 1)] as const,
    )
    return { is: 'fields', fields }
  }
  return whole(next, depth)
}

/** A value of which the other side holds nothing. O(1), or O(fields and entries) where it is looked into for texts. */
export function whole(value: unknown, depth = 0): Delta {
  const text = textOf(value)
  if (text !== undefined) return { is: 'text', text }
  if (!holdsText(value, depth)) return { is: 'value', value }
  if (Array.isArray(value))
    return { is: 'items', items: value.map((item) => ({ by: whole(item, depth - 1) })) }
  return {
    is: 'fields',
    fields: Object.entries(value as object).map(([field, part]) => [field, whole(part, depth - 1)]),
  }
}

function holdsText(value: unknown, depth: number): boolean {
  if (depth <= 0) return false
  const parts = Array.isArray(value) ? value : isRecord(value) ? Object.values(value) : []
  return parts.some((part) => textOf(part) !== undefined || holdsText(part, depth - 1))
}

const textOf = (value: unknown): string | undefined => (isRecord(value) ? keptText(value) : undefined)

function itemsSince(last: readonly unknown[], next: readonly unknown[], depth: number): Delta {
  const places = new Map(last.map((item, at) => [item, at]))
  return {
    is: 'items',
    items: next.map((item, i): DeltaItem => {
      const at = typeof item === 'object' && item !== null ? places.get(item) : undefined
      if (at !== undefined) return at
      // Of thousands of machines all may have changed: naming what each keeps costs more than to send it.
      return depth > 1 && isRecord(item) ? { by: deltaSince(last[i], item, ENTRY_DEPTH) } : { item }
    }),
  }
}

/** What `deltaSince` was made of; parts that did not change are the very same objects as before. */
export function applyDelta(last: unknown, delta: Delta): unknown {
  switch (delta.is) {
    case 'same':
      return last
    case 'value':
      return delta.value
    case 'text':
      return JSON.parse(delta.text)
    case 'fields': {
      const before = isRecord(last) ? last : {}
      return Object.fromEntries(
        delta.fields.map(([field, part]) => [field, applyDelta(ownValue(before, field), part)]),
      )
    }
    case 'items': {
      const before: readonly unknown[] = Array.isArray(last) ? last : []
      return delta.items.map((item, i) =>
        typeof item === 'number' ? before[item] : 'by' in item ? applyDelta(before[i], item.by) : item.item,
      )
    }
  }
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype

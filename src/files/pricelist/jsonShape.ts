import { FIELD_WORDS } from '../../core/pricelist/listWords.ts'
import { wordsIn } from '../../core/quantity/wordsIn.ts'
import { UnreadableList } from './listTable.ts'

/** Deeper nesting is no price list. */
const MOST_DEPTH = 40
/** No record has so many keys: they are data. */
const MOST_KEYS = 200

/** What stands at one place of a JSON document, over all values that stand there. */
export class JsonShape {
  private readonly scalars = new Set<string>()
  private readonly fields = new Map<string, JsonShape>()
  private list: JsonShape | undefined
  /** What stands under any key, where there are more keys than any record has. */
  private collapsed: JsonShape | undefined
  private kept: { readonly isMap: boolean; readonly within: JsonShape } | undefined

  static of(value: unknown): JsonShape {
    const shape = new JsonShape()
    shape.learn(value, 0)
    return shape
  }

  /** Learns from a value that stands at the end of these keys; undefined are items of lists. */
  learnAt(path: readonly (string | undefined)[], value: unknown, depth = 0): void {
    const [key, ...rest] = path
    if (path.length === 0) this.learn(value, depth)
    else if (rest.length > 0) this.grown(key).learnAt(rest, value, depth + 1)
    else if (key === undefined) this.learn([value], depth)
    else this.learn({ [key]: value }, depth)
  }

  /** Grows where it is not there yet. */
  private grown(key: string | undefined): JsonShape {
    return key === undefined ? (this.list ??= new JsonShape()) : this.field(key)
  }

  get isList(): boolean {
    return this.list !== undefined
  }

  /** Of the items of a list. */
  get items(): JsonShape {
    return this.list ?? this
  }

  /** What stands under a key: where keys are data, under any of them. */
  under(key: string): JsonShape {
    if (this.collapsed) return this.collapsed
    const { isMap, within } = this.look()
    return isMap ? within : (this.fields.get(key) ?? this)
  }

  /** Whether the keys of the objects here are data: what stands under them is of one shape. */
  get isMap(): boolean {
    return this.collapsed !== undefined || this.look().isMap
  }

  private look() {
    return (this.kept ??= { isMap: this.seemsMap(), within: JsonShape.merged(this.fields.values()) })
  }

  private seemsMap(): boolean {
    if (this.scalars.size > 0 || this.fields.size < 2) return false
    // Figures of a size that have figures themselves are no rows.
    const keys = [...this.fields.keys()].flatMap(wordsIn)
    if (keys.some((word) => FIELD_WORDS.vcpu.has(word) || FIELD_WORDS.memory.has(word))) return false
    const [first, ...others] = [...this.fields.values()].map((shape) => shape.signature())
    return first!.keys.size > 0 && others.every((other) => isAlike(first!, other))
  }

  /** Levels of lists and of objects that hold nothing but others, and the keys of what is within them all. */
  private signature(): Signature {
    if (this.list) {
      const { levels, keys } = this.list.signature()
      return { levels: `[${levels}`, keys }
    }
    if (this.collapsed) {
      const { levels, keys } = this.collapsed.signature()
      return { levels: `{${levels}`, keys }
    }
    if (this.scalars.size > 0 || this.fields.size === 0) {
      return { levels: '', keys: new Set([...this.scalars, ...this.fields.keys()]) }
    }
    const { levels, keys } = JsonShape.merged(this.fields.values()).signature()
    return { levels: `{${levels}`, keys }
  }

  private learn(value: unknown, depth: number): void {
    if (depth > MOST_DEPTH) throw new UnreadableList(`The list is nested deeper than ${MOST_DEPTH}.`)
    if (Array.isArray(value)) {
      for (const item of value) {
        if (typeof item === 'object' && item !== null) (this.list ??= new JsonShape()).learn(item, depth + 1)
      }
    } else if (typeof value === 'object' && value !== null) {
      for (const [key, item] of Object.entries(value)) {
        const isRows =
          typeof item === 'object' && item !== null && !(Array.isArray(item) && !item.some(isObject))
        if (isRows) this.field(key).learn(item, depth + 1)
        else this.scalars.add(key)
      }
    }
  }

  private field(key: string): JsonShape {
    if (this.collapsed) return this.collapsed
    if (this.fields.size >= MOST_KEYS) {
      this.collapsed = JsonShape.merged(this.fields.values())
      this.fields.clear()
      return this.collapsed
    }
    const known = this.fields.get(key)
    if (known) return known
    const shape = new JsonShape()
    this.fields.set(key, shape)
    return shape
  }

  private static merged(shapes: Iterable<JsonShape>): JsonShape {
    const all = new JsonShape()
    for (const shape of shapes) all.take(shape)
    return all
  }

  private take(other: JsonShape): void {
    if (other.collapsed) (this.collapsed ??= JsonShape.merged(this.fields.values())).take(other.collapsed)
    for (const key of other.scalars) this.scalars.add(key)
    for (const [key, shape] of other.fields) this.field(key).take(shape)
    if (other.list) (this.list ??= new JsonShape()).take(other.list)
  }
}

interface Signature {
  readonly levels: string
  readonly keys: ReadonlySet<string>
}

/** Nested alike, with half of their keys in common. */
function isAlike(one: Signature, other: Signature): boolean {
  if (one.levels !== other.levels) return false
  const shared = [...other.keys].filter((key) => one.keys.has(key)).length
  return shared > 0 && shared * 2 >= Math.min(one.keys.size, other.keys.size)
}

export const isObject = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

import type { ColumnTraits } from '../table/columnTraits.ts'
import { FIELD_WORDS } from './listWords.ts'
import type { FieldSource, ListField } from './listMapping.ts'

/** Gives each column of a table to one field. */
export class ColumnFinder {
  readonly free: Set<ColumnTraits>

  constructor(readonly all: readonly ColumnTraits[]) {
    this.free = new Set(all)
  }

  take(found: ColumnTraits | undefined): ColumnTraits | undefined {
    if (found) this.free.delete(found)
    return found
  }

  /** The free column that fits and whose heading has the surest word of the field. */
  named(field: ListField, fits: (traits: ColumnTraits) => boolean): ColumnTraits | undefined {
    const known = [...FIELD_WORDS[field]]
    const rank = ({ words }: ColumnTraits): number =>
      Math.min(...words.map((word) => known.indexOf(word)).filter((at) => at >= 0))
    const named = [...this.free].filter(
      (each) => fits(each) && each.words.some((word) => FIELD_WORDS[field].has(word)),
    )
    return this.take(named.sort((a, b) => rank(a) - rank(b))[0])
  }

  /** The first free column of which this holds. */
  first(fits: (traits: ColumnTraits) => boolean): ColumnTraits | undefined {
    return this.take([...this.free].find(fits))
  }
}

export const isText = ({ numbers, filled }: ColumnTraits): boolean => filled.length > 0 && numbers < 0.5
export const isNumber = ({ numbers }: ColumnTraits): boolean => numbers > 0.6
export const isWord = ({ letters, distinct }: ColumnTraits): boolean => letters > 0.5 && distinct.length < 20

/** Whether a heading has a word of one of the fields. */
export const isNamed = ({ words }: ColumnTraits, ...fields: readonly ListField[]): boolean =>
  words.some((word) => fields.some((field) => FIELD_WORDS[field].has(word)))

export const fromColumn = ({ column }: ColumnTraits): FieldSource => ({ from: 'column', column })

import { gib } from '../quantity/units.ts'
import type { BookIndex } from './bookIndex.ts'
import type { DiskKind, Image, Size } from './priceBook.ts'

/** What an image is known to ask for; nothing, where the book does not say. */
export const leastOf = (image: Image): NonNullable<Image['least']> => image.least ?? ASKS_NOTHING

const ASKS_NOTHING: NonNullable<Image['least']> = { vcpu: 0, memoryGiB: gib(0), diskGiB: gib(0) }

/** Whether a size may carry a kind of disk: where the book does not say what it carries, nothing speaks against any. */
export const mayCarry = (size: Size, kindId: string): boolean => size.diskKinds?.includes(kindId) ?? true

/** The kinds that a size may carry, in its order, or in the book's where that does not say. */
export const kindsCarried = (size: Size, { book, diskKinds }: BookIndex): readonly DiskKind[] =>
  size.diskKinds?.flatMap((id) => diskKinds.get(id) ?? []) ?? book.diskKinds

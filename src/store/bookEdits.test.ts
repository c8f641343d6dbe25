import 'fake-indexeddb/auto'
import { afterEach, beforeEach, expect, test } from 'vitest'
import { newBook } from '../core/pricelist/newBook.ts'
import { putSize } from '../core/pricelist/sizeRows.ts'
import { gib } from '../core/quantity/units.ts'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { BookEdits } from './BookEdits.ts'
import { BooksInUse } from './BooksInUse.ts'
import { openDatabase, type NotchgaugeDatabase } from './database.ts'
import { loadBooks } from './planStore.ts'
import { NOTHING_OPEN, type SessionState } from './sessionState.ts'

const EMPTY = newBook({
  id: 'own',
  name: 'Own',
  currency: 'EUR',
  place: { id: 'quay', name: 'Quay' },
  from: '2027-03-01',
})
const withSize = (book: PriceBook, name: string, price: string): PriceBook =>
  putSize(
    book,
    book.sizes.find((size) => size.name === name)?.id,
    { name, vcpu: 2, memoryGiB: gib(4), price },
    {
      region: 'quay',
      period: 'hour',
    },
  )

let db: NotchgaugeDatabase
let state: SessionState
let books: BooksInUse
let edits: BookEdits
let count = 0

beforeEach(async () => {
  db = openDatabase(`book-edits-${(count += 1)}`)
  state = NOTHING_OPEN
  const show = (part: Partial<SessionState>): void => void (state = { ...state, ...part })
  books = new BooksInUse(db, { snapshot: () => state, show, checkStored: undefined })
  edits = books.edits
  await books.add(EMPTY)
})
afterEach(() => db.close())

const shown = (): PriceBook => state.books[0]!
const priceOf = (book: PriceBook) => book.prices.quay!.sizes['small']?.perHour
const stored = async (): Promise<PriceBook> => {
  await expect.poll(() => books.isStored()).toBe(true)
  const { books: found, refused } = await loadBooks(db)
  expect(refused).toEqual([])
  return found[0]!
}

test('an empty book that was just begun is kept, and can be read again', async () => {
  expect(await stored()).toMatchObject(EMPTY)
})

test('an edit shows at once and is stored; undo and redo as well', async () => {
  edits.edit(shown(), withSize(shown(), 'small', '0.1'), 'add small')
  edits.edit(shown(), withSize(shown(), 'small', '0.2'), 'change small')
  expect(priceOf(shown())).toBe('0.2')
  expect(edits.undoLabel(shown())).toBe('change small')
  edits.undo(shown())
  expect(priceOf(shown())).toBe('0.1')
  expect(priceOf(await stored())).toBe('0.1')
  expect(edits.redoLabel(shown())).toBe('change small')
  edits.redo(shown())
  expect(priceOf(await stored())).toBe('0.2')
  edits.undo(shown())
  edits.undo(shown())
  expect(shown()).toBe(EMPTY)
  expect(edits.undoLabel(shown())).toBeUndefined()
})

test('letters of one field are one step, and of many edits the last one is stored', async () => {
  for (const price of ['0', '0.1', '0.12', '0.123']) {
    edits.edit(shown(), withSize(shown(), 'small', price), 'change small', 'small')
  }
  expect(priceOf(await stored())).toBe('0.123')
  edits.undo(shown())
  expect(shown()).toBe(EMPTY)
})

test('what another tab has made of the book cannot be taken back here', async () => {
  edits.edit(shown(), withSize(shown(), 'small', '0.1'), 'add small')
  await stored()
  state = { ...state, books: [withSize(EMPTY, 'other', '0.5')] }
  expect(edits.undoLabel(shown())).toBeUndefined()
  expect(edits.undo(shown())).toBe(shown())
})

test('a book of many prices is stored as one text, and read and refused as any other', async () => {
  const sizes = Array.from({ length: 2_100 }, (_, i) => ({ ...withSize(EMPTY, 'one', '0.1').sizes[0]!, id: `s${i}`, name: `s${i}` })) // prettier-ignore
  const prices = { sizes: Object.fromEntries(sizes.map(({ id }) => [id, { perHour: '0.1' }])) }
  const large: PriceBook = { ...EMPTY, sizes, prices: { quay: { ...EMPTY.prices.quay!, ...prices } } }
  await books.add(large)
  expect(await stored()).toMatchObject(large)
  const [row] = await db.editions.toArray()
  expect(typeof row!.file).toBe('string')
  await db.editions.put({ ...row!, file: (row!.file as string).slice(0, -1) })
  expect((await loadBooks(db)).refused).toEqual(['own, edition 2027-03-01'])
})

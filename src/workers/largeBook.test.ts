import { afterEach, expect, test, vi } from 'vitest'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import { accept, refuse, type Outcome } from '../core/outcome.ts'
import { bookToFile } from '../files/priceBook/priceBookDocument.ts'
import type { FileIssue } from '../files/reading/fileIssue.ts'
import { keepText, keptText } from '../files/reading/keptText.ts'
import { SMALL_BOOK } from '../core/testing/smallBook.ts'
import { bookToStore, storedBookFile } from '../store/storedBook.ts'
import { answerQuestions } from './answerQuestions.ts'
import { bookInPortions, withJson } from './largeBook.ts'
import type { Told } from './questions.ts'
import { LocalWorker } from './testing/LocalWorker.ts'
import { WorkerAsker } from './WorkerAsker.ts'

afterEach(() => void vi.unstubAllGlobals())

const [place, prices] = Object.entries(SMALL_BOOK.prices)[0]!
const size = SMALL_BOOK.sizes[0]!

/** A book of as many places with as many sizes; one place is called what every object inherits. */
function bookOf(places: number, sizes: number): PriceBook {
  const ids = Array.from({ length: sizes }, (_, i) => `size-${i}`)
  const all = { ...prices, sizes: Object.fromEntries(ids.map((id) => [id, { perHour: '0.1' }])) }
  const names = Array.from({ length: places }, (_, i) => (i === 7 ? '__proto__' : `${place}-${i}`))
  return {
    ...SMALL_BOOK,
    sizes: ids.map((id) => ({ ...size, id, name: id })),
    prices: Object.fromEntries(names.map((name) => [name, all])),
  }
}

type Read = Outcome<{ readonly book?: PriceBook; readonly json?: string }, FileIssue>

/** Asks for what was read as the page does, everything copied on its way; `told` is what came. */
async function read(answer: Read): Promise<{ found: Read; told: Told<never>[] }> {
  const told: Told<never>[] = []
  const asker = new WorkerAsker<object, Read>({
    begin: () => {
      const worker = new LocalWorker()
      const { postMessage } = worker.scope
      worker.scope.postMessage = (data) => {
        told.push(structuredClone(data) as Told<never>)
        postMessage(structuredClone(data))
      }
      answerQuestions<object, Read>(() => withJson(answer), { portions: bookInPortions })
      return worker as unknown as Worker
    },
    failure: 'It failed.',
  })
  return { found: await asker.ask({}).answer, told }
}

test('a large book comes over in portions, and is whole', async () => {
  const book = bookOf(30, 5_000)
  const { found, told } = await read(accept({ book }))
  expect(found).toEqual(accept({ book, json: JSON.stringify(bookToFile(book)) }))
  expect(told.map(({ kind }) => kind)).toEqual(['begun', ...Array(5).fill('portion'), 'answer'])
  const sizes = told.map(
    (each) => JSON.stringify(each, (field, value) => (field === 'json' ? '' : value)).length,
  )
  // The first brings the sizes with it.
  expect(Math.max(...sizes.slice(2))).toBeLessThan(JSON.stringify(book.prices).length / 5)
})

test('a small book, none, and what was refused come at once', async () => {
  const issue: FileIssue = { code: 'not-json', pointer: '', problem: 'No.', expected: 'more.' }
  for (const answer of [accept({ book: bookOf(3, 4) }), accept({}), refuse(issue)] as Read[]) {
    const { found, told } = await read(answer)
    expect(found).toEqual(answer)
    expect(told.map(({ kind }) => kind)).toEqual(['begun', 'answer'])
  }
})

test('what is stored of a large book is the text that came with it, and goes to workers as that text', async () => {
  const book = bookOf(30, 500)
  const json = JSON.stringify(bookToFile(book))
  keepText(book, json)
  expect(bookToStore(book)).toBe(json)
  const stored = storedBookFile(json) as PriceBook
  expect(keptText(stored)).toBe(json)
  const asked: unknown[] = []
  let worker: LocalWorker
  const asker = new WorkerAsker<{ books: readonly PriceBook[]; month: string }, number>({
    begin: () => {
      worker = new LocalWorker()
      answerQuestions((question: object) => asked.push(structuredClone(question)))
      return worker as unknown as Worker
    },
    failure: 'It failed.',
  })
  const small = bookOf(2, 2)
  const edited = { ...stored, currency: 'CHF' }
  for (const books of [[small, stored], [small, edited], [stored]]) {
    await asker.ask({ books, month: 'March' }).answer
    expect(asked.at(-1)).toEqual({ books, month: 'March' })
  }
  const [first, second] = worker!.sent.map((sent) => JSON.stringify(sent))
  expect(first).toContain('"is":"text"')
  // Of the edited one, what was edited.
  expect(second!.length).toBeLessThan(2_000)
})

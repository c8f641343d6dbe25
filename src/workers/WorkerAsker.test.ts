import { afterEach, expect, test, vi } from 'vitest'
import { answerQuestions } from './answerQuestions.ts'
import { WorkerAsker } from './WorkerAsker.ts'
import { LocalWorker } from './testing/LocalWorker.ts'

interface Question {
  readonly books: readonly string[]
  readonly month: string
}
const BOOKS = ['a', 'b']

afterEach(() => {
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

/** An asker whose workers are run here; `begun` holds them in order. */
function asking<P>(answer: (question: Question) => Generator<P, string> | Promise<string>) {
  const begun: LocalWorker[] = []
  const asker = new WorkerAsker<Question, string, P>(() => {
    const worker = new LocalWorker()
    answerQuestions(answer)
    begun.push(worker)
    return worker as unknown as Worker
  }, 'It failed.')
  return { asker, begun }
}

test('what two questions share is sent once, and is the very same at the worker', async () => {
  const seen: Question[] = []
  const { asker, begun } = asking((question) => {
    seen.push(question)
    return Promise.resolve(question.month)
  })
  await expect(asker.ask({ books: BOOKS, month: 'March' }).answer).resolves.toBe('March')
  await expect(asker.ask({ books: BOOKS, month: 'April' }).answer).resolves.toBe('April')
  expect(begun).toHaveLength(1)
  expect(begun[0]!.sent).toEqual([
    { same: [], changed: { books: BOOKS, month: 'March' } },
    { same: ['books'], changed: { month: 'April' } },
  ])
  expect(seen[1]).toEqual({ books: BOOKS, month: 'April' })
  expect(seen[1]!.books).toBe(seen[0]!.books)
})

test('a new question gives up the one under way, which is never answered', async () => {
  const { asker, begun } = asking(({ month }) =>
    month === 'March' ? new Promise<string>(() => undefined) : Promise.resolve(month),
  )
  const first = vi.fn()
  void asker.ask({ books: BOOKS, month: 'March' }).answer.then(first, first)
  await expect(asker.ask({ books: BOOKS, month: 'April' }).answer).resolves.toBe('April')
  expect(begun.map(({ terminated }) => terminated)).toEqual([true, false])
  expect(begun[1]!.sent).toEqual([{ same: [], changed: { books: BOOKS, month: 'April' } }])
  expect(first).not.toHaveBeenCalled()
})

test('cancelling ends the worker only while its question is under way', async () => {
  const { asker, begun } = asking(({ month }) => Promise.resolve(month))
  const { answer, cancel } = asker.ask({ books: BOOKS, month: 'March' })
  await answer
  cancel()
  expect(begun[0]!.terminated).toBe(false)
  asker.ask({ books: BOOKS, month: 'April' }).cancel()
  expect(begun[0]!.terminated).toBe(true)
})

test('steps are reported now and then, not each', async () => {
  let now = 0
  vi.spyOn(performance, 'now').mockImplementation(() => (now += 10))
  const { asker } = asking<number>(function* ({ month }) {
    for (let i = 1; i <= 20; i += 1) yield i
    return month
  })
  const progress: number[] = []
  await asker.ask({ books: BOOKS, month: 'March' }, (step) => progress.push(step)).answer
  expect(progress).toEqual([5, 10, 15, 20])
})

test('a worker that fails is left, and the next question is put to a new one', async () => {
  vi.spyOn(console, 'warn').mockImplementation(() => undefined)
  const { asker, begun } = asking(({ month }) =>
    month === 'March' ? Promise.reject(new TypeError('null')) : Promise.resolve(month),
  )
  await expect(asker.ask({ books: BOOKS, month: 'March' }).answer).rejects.toThrow('It failed.')
  await expect(asker.ask({ books: BOOKS, month: 'April' }).answer).resolves.toBe('April')
  expect(begun.map(({ terminated }) => terminated)).toEqual([true, false])
  expect(begun[1]!.sent).toEqual([{ same: [], changed: { books: BOOKS, month: 'April' } }])
})

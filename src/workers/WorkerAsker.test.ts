import { afterEach, expect, test, vi } from 'vitest'
import { answerQuestions } from './answerQuestions.ts'
import { LocalWorker } from './testing/LocalWorker.ts'
import { WorkerAsker } from './WorkerAsker.ts'

interface Question {
  readonly books: readonly string[]
  readonly month: string
}
const BOOKS = ['a', 'b']
const march: Question = { books: BOOKS, month: 'March' }
const april: Question = { books: BOOKS, month: 'April' }

afterEach(() => {
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

type Answering<Step> = (question: Question) => Generator<Step, string> | Promise<string> | string

/** An asker whose workers are run here; `begun` holds them in order. */
function asking<Step = never>(
  answer: Answering<Step>,
  {
    waits = false,
    listens = false,
    mayBeSkipped,
  }: { waits?: boolean; listens?: boolean; mayBeSkipped?: (step: Step) => boolean } = {},
) {
  const begun: LocalWorker[] = []
  const asker = new WorkerAsker<Question, string, Step>({
    begin: () => {
      const worker = new LocalWorker()
      answerQuestions(answer, mayBeSkipped && { mayBeSkipped })
      begun.push(worker)
      return worker as unknown as Worker
    },
    failure: 'It failed.',
    waits,
    listens,
  })
  return { asker, begun }
}

/** March is never answered until it is let go. */
function held(options?: { waits?: boolean }) {
  const letGo: ((month: string) => void)[] = []
  const asked: string[] = []
  const made = asking(({ month }) => {
    asked.push(month)
    return month === 'March' ? new Promise<string>((resolve) => letGo.push(resolve)) : Promise.resolve(month)
  }, options)
  return { ...made, asked, letGo: () => letGo.forEach((go) => go('March')) }
}

test('what two questions share is sent once, and is the very same at the worker', async () => {
  const seen: Question[] = []
  const { asker, begun } = asking((question) => {
    seen.push(question)
    return question.month
  })
  await expect(asker.ask(march).answer).resolves.toBe('March')
  await expect(asker.ask(april).answer).resolves.toBe('April')
  expect(begun).toHaveLength(1)
  expect(begun[0]!.sent).toEqual([
    { id: 1, question: { is: 'value', value: march } },
    {
      id: 2,
      question: {
        is: 'fields',
        fields: [
          ['books', { is: 'same' }],
          ['month', { is: 'value', value: 'April' }],
        ],
      },
    },
  ])
  expect(seen[1]).toEqual(april)
  expect(seen[1]!.books).toBe(seen[0]!.books)
})

interface Total {
  readonly month: string
}

test('of an answer, what the one before it said is not sent again, and is the very same at the asker', async () => {
  const sent: unknown[] = []
  const waiting: (() => void)[] = []
  const asker = new WorkerAsker<Question, readonly Total[] | undefined>({
    begin: () => {
      const worker = new LocalWorker()
      const { postMessage } = worker.scope
      worker.scope.postMessage = (data) => {
        sent.push(data)
        postMessage(structuredClone(data))
      }
      answerQuestions<Question, readonly Total[] | undefined>(
        async ({ month, books }) => {
          if (month === 'held') await new Promise<void>((resolve) => waiting.push(resolve))
          return month === 'none' ? undefined : [...books, month].map((each) => ({ month: each }))
        },
        {
          keepSame: (before, now) =>
            now?.map((each, i) => (before?.[i]?.month === each.month ? before[i] : each)),
        },
      )
      return worker as unknown as Worker
    },
    failure: 'It failed.',
    waits: true,
  })
  const first = await asker.ask(march).answer
  const second = await asker.ask(april).answer
  expect([first, second].map((each) => each?.map(({ month }) => month))).toEqual([
    ['a', 'b', 'March'],
    ['a', 'b', 'April'],
  ])
  expect(second?.map((each, i) => each === first?.[i])).toEqual([true, true, false])
  const last = sent.at(-1) as { answer: { items: unknown[] } }
  expect(last.answer.items.slice(0, 2)).toEqual([0, 1])
  // One that nobody waits for any more is what the next one is told by.
  void asker.ask({ ...march, month: 'held' })
  const next = asker.ask(march).answer
  waiting.forEach((go) => go())
  expect((await next)?.map(({ month }) => month)).toEqual(['a', 'b', 'March'])
  expect((await next)?.[0]).toBe(first?.[0])
  await expect(asker.ask({ ...march, month: 'none' }).answer).resolves.toBeUndefined()
  await expect(asker.ask(march).answer).resolves.toEqual(first)
})

test('a new question gives up the one under way, which is never answered', async () => {
  const { asker, begun, letGo } = held()
  const first = vi.fn()
  void asker.ask(march).answer.then(first, first)
  await expect(asker.ask(april).answer).resolves.toBe('April')
  letGo()
  await Promise.resolve()
  expect(begun.map(({ terminated }) => terminated)).toEqual([true, false])
  expect(begun[1]!.sent).toEqual([{ id: 2, question: { is: 'value', value: april } }])
  expect(first).not.toHaveBeenCalled()
})

test('one that waits gives way to a newer one, and the answer that came meanwhile is of no use', async () => {
  const { asker, begun, asked, letGo } = held({ waits: true })
  const [first, second] = [vi.fn(), vi.fn()]
  void asker.ask(march).answer.then(first, first)
  void asker.ask({ ...march, month: 'May' }).answer.then(second, second)
  const { answer } = asker.ask(april)
  expect(asked).toEqual(['March'])
  letGo()
  await expect(answer).resolves.toBe('April')
  expect(asked).toEqual(['March', 'April'])
  expect(first).not.toHaveBeenCalled()
  expect(second).not.toHaveBeenCalled()
  expect(begun).toHaveLength(1)
})

test('one that waits and is given up is not asked; the one under way is answered all the same', async () => {
  const { asker, asked, letGo } = held({ waits: true })
  const { answer } = asker.ask(march)
  asker.ask(april).cancel()
  letGo()
  await expect(answer).resolves.toBe('March')
  expect(asked).toEqual(['March'])
})

test('cancelling ends the worker only while its question is under way', async () => {
  const { asker, begun } = asking(({ month }) => Promise.resolve(month))
  const { answer, cancel } = asker.ask(march)
  await answer
  cancel()
  expect(begun[0]!.terminated).toBe(false)
  asker.ask(april).cancel()
  expect(begun[0]!.terminated).toBe(true)
})

test('asked once, the worker ends with its answer', async () => {
  const { asker, begun } = asking(({ month }) => month)
  await expect(asker.askOnce(march).answer).resolves.toBe('March')
  expect(begun[0]!.terminated).toBe(true)
})

test('steps are reported now and then, and always those that may not be skipped', async () => {
  let now = 0
  vi.spyOn(performance, 'now').mockImplementation(() => (now += 10))
  const steps = function* ({ month }: Question) {
    for (let i = 1; i <= 20; i += 1) yield i
    return month
  }
  const [every, odd]: [number[], number[]] = [[], []]
  await asking<number>(steps).asker.ask(march, (step) => every.push(step)).answer
  expect(every).toEqual([10, 20])
  const mayBeSkipped = (step: number): boolean => step % 7 !== 0
  await asking<number>(steps, { mayBeSkipped }).asker.ask(march, (step) => odd.push(step)).answer
  expect(odd).toEqual([7, 14])
})

test.each<[string, Answering<never>]>([
  [
    'at once',
    () => {
      throw new TypeError('null has no machines')
    },
  ],
  [
    'after waiting',
    () => Promise.resolve().then(() => Promise.reject(new TypeError('null has no machines'))),
  ],
])(
  'what is thrown %s ends the question with a sentence; the next is put to a new worker',
  async (_, fail) => {
    const log = vi.spyOn(console, 'warn').mockImplementation(() => undefined)
    const { asker, begun } = asking((question) => (question === march || question.month === 'March' ? fail(question) : question.month)) // prettier-ignore
    await expect(asker.ask(march).answer).rejects.toThrow('It failed.')
    expect(log).toHaveBeenCalledWith('Uncaught TypeError: null has no machines')
    await expect(asker.ask(april).answer).resolves.toBe('April')
    expect(begun.map(({ terminated }) => terminated)).toEqual([true, false])
    expect(begun[1]!.sent).toEqual([{ id: 2, question: { is: 'value', value: april } }])
  },
)

test('a failure is said, and the question that waits is asked all the same', async () => {
  vi.spyOn(console, 'warn').mockImplementation(() => undefined)
  const { asker } = asking(
    ({ month }) => (month === 'March' ? Promise.reject(new Error('no')) : Promise.resolve(month)),
    { waits: true },
  )
  const first = asker.ask(march).answer
  const second = asker.ask(april).answer
  await expect(first).rejects.toThrow('It failed.')
  await expect(second).resolves.toBe('April')
})

/** Takes steps for ever in March; of each month it is known how many were taken. */
function endless() {
  const taken = new Map<string, number>()
  const made = asking<number>(
    function* ({ month }: Question) {
      for (let i = 1; month === 'March' || i < 3; i += 1) {
        taken.set(month, i)
        yield i
      }
      return month
    },
    { listens: true },
  )
  return { ...made, taken }
}

test('one that listens leaves the question under way for a newer one, and stays', async () => {
  const { asker, begun, taken } = endless()
  const first = vi.fn()
  void asker.ask(march).answer.then(first, first)
  await expect(asker.ask(april).answer).resolves.toBe('April')
  const stopped = taken.get('March')
  await new Promise((resolve) => setTimeout(resolve, 60))
  expect(taken.get('March')).toBe(stopped)
  expect(first).not.toHaveBeenCalled()
  expect(begun.map(({ terminated }) => terminated)).toEqual([false])
})

test('one that listens leaves off when it is given up', async () => {
  const { asker, begun, taken } = endless()
  const { cancel } = asker.ask(march)
  cancel()
  await new Promise((resolve) => setTimeout(resolve, 60))
  const stopped = taken.get('March')
  await new Promise((resolve) => setTimeout(resolve, 60))
  expect(taken.get('March')).toBe(stopped)
  await expect(asker.ask(april).answer).resolves.toBe('April')
  expect(begun).toHaveLength(1)
})

test('one that does not hear a newer question for long is ended, and a new one is asked', async () => {
  const { asker, begun } = endless()
  asker.warm()
  // In the middle of a step that takes long.
  begun[0]!.scope.onmessage = () => new Promise<void>(() => undefined)
  void asker.ask(march)
  await expect(asker.ask(april).answer).resolves.toBe('April')
  expect(begun.map(({ terminated }) => terminated)).toEqual([true, false])
})

import { readFileSync } from 'node:fs'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import type { YearMonth } from '../core/calendar/yearMonth.ts'
import { summarisePlan, type MachineSummary } from '../core/meter/summarisePlan.ts'
import { readPlan } from '../files/planFile.ts'
import { readPriceBook } from '../files/priceBookFile.ts'
import type { PlanAnswer, PlanAsk } from './planWorkerProtocol.ts'
import { PlanWorkerClient } from './planWorkerClient.ts'

const MARCH = '2027-03' as YearMonth
const APRIL = '2027-04' as YearMonth
const plan = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
const book = readPriceBook(readFileSync('data/fennmark.json', 'utf8'))
if (!plan.ok || !book.ok) throw new Error('the demo is not valid')
const question = { plan: plan.value, books: [book.value], month: MARCH, reading: 'calendar' as const }

/** A worker that keeps what it is asked and answers when it is told to. */
class HeldWorker {
  static last: HeldWorker
  readonly asked: PlanAsk[] = []
  terminated = false
  onmessage: ((event: { data: PlanAnswer }) => void) | undefined
  onerror: ((event: { message: string }) => void) | undefined
  constructor() {
    HeldWorker.last = this
  }
  postMessage(ask: PlanAsk): void {
    this.asked.push(structuredClone(ask))
  }
  terminate(): void {
    this.terminated = true
  }
  answer(askId: number, summaries: readonly MachineSummary[] = []): void {
    this.onmessage?.({ data: structuredClone({ askId, summaries }) })
  }
}

let answers: YearMonth[] = []
let failures: string[] = []

const open = (): PlanWorkerClient =>
  new PlanWorkerClient(
    (_, { month }) => answers.push(month),
    (message) => failures.push(message),
  )

beforeEach(() => {
  answers = []
  failures = []
  vi.stubGlobal('Worker', HeldWorker)
})
afterEach(() => {
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

describe('asking the worker for a plan', () => {
  test('books are sent once, and again when they change', () => {
    const client = open()
    const worker = HeldWorker.last
    client.ask(question)
    worker.answer(1)
    client.ask({ ...question, month: APRIL })
    worker.answer(2)
    client.ask({ ...question, books: [...question.books] })
    expect(worker.asked.map(({ kind }) => kind)).toEqual(['books', 'price', 'price', 'books', 'price'])
    expect(answers).toEqual([MARCH, APRIL])
  })

  test('one question is under way at a time, and only the newest of those that wait is asked', () => {
    const client = open()
    const worker = HeldWorker.last
    for (const month of [MARCH, APRIL, '2027-05', '2027-06'])
      client.ask({ ...question, month: month as YearMonth })
    expect(worker.asked.filter(({ kind }) => kind === 'price')).toHaveLength(1)
    worker.answer(1)
    expect(worker.asked.at(-1)).toMatchObject({ kind: 'price', askId: 2, month: '2027-06' })
    worker.answer(2)
    expect(answers).toEqual(['2027-06'])
  })

  test('an answer to another question is dropped', () => {
    const client = open()
    client.ask(question)
    HeldWorker.last.answer(99)
    expect(answers).toEqual([])
  })

  test('a failure is said, and the next question is asked all the same', () => {
    const client = open()
    const worker = HeldWorker.last
    client.ask(question)
    client.ask({ ...question, month: APRIL })
    const log = vi.spyOn(console, 'warn').mockImplementation(() => undefined)
    worker.onerror?.({ message: 'Uncaught TypeError: no' })
    expect(failures).toEqual(['The plan could not be priced.'])
    expect(log).toHaveBeenCalledWith('Uncaught TypeError: no')
    expect(worker.asked.at(-1)).toMatchObject({ month: APRIL })
    client.close()
    expect(worker.terminated).toBe(true)
  })

  test('an answer crosses to the page unchanged, exact amounts and all', () => {
    const summaries = summarisePlan(question)
    expect(structuredClone(summaries)).toEqual(summaries)
    expect(summaries.filter(({ priced }) => priced)).toHaveLength(7)
    expect(summaries.find(({ priced }) => !priced)).toMatchObject({ issues: [{ code: 'no-book' }] })
  })
})

// @vitest-environment happy-dom
import { act, cleanup, renderHook } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import type { Asked } from './questions.ts'
import { useAnswer } from './useAnswer.ts'
import type { WorkerAsker } from './WorkerAsker.ts'

interface Question {
  readonly plan: object
  readonly month: string
}
const PLAN = {}

/** Answers when it is told to. */
class HeldAsker {
  readonly asked: { question: Question; resolve: (answer: string) => void; reject: (error: Error) => void; onStep: (step: number) => void; cancelled: boolean }[] = [] // prettier-ignore
  closed = 0
  ask(question: Question, onStep: (step: number) => void): Asked<string> {
    let own: HeldAsker['asked'][number]
    const answer = new Promise<string>((resolve, reject) => {
      own = { question, resolve, reject, onStep, cancelled: false }
      this.asked.push(own)
    })
    return { answer, cancel: () => (own.cancelled = true) }
  }
  close(): void {
    this.closed += 1
  }
}

afterEach(cleanup)

function render(first: Question | undefined) {
  const asker = new HeldAsker()
  const begin = () => asker as unknown as WorkerAsker<Question, string, number>
  const hook = renderHook(({ question }) => useAnswer(begin, question), {
    initialProps: { question: first },
  })
  const askAbout = (question: Question | undefined): void => hook.rerender({ question })
  return { ...hook, asker, askAbout, now: () => hook.result.current }
}

test('an answer to another month is told apart, and stays until the newer one comes', async () => {
  const { asker, askAbout, now } = render({ plan: PLAN, month: 'March' })
  expect(now()).toMatchObject({ answer: undefined, isStale: true })
  await act(async () => asker.asked[0]!.resolve('of March'))
  expect(now()).toMatchObject({ answer: 'of March', isStale: false })
  askAbout({ plan: PLAN, month: 'April' })
  expect(now()).toMatchObject({ answer: 'of March', of: { month: 'March' }, isStale: true })
  await act(async () => asker.asked[1]!.resolve('of April'))
  expect(now()).toMatchObject({ answer: 'of April', isStale: false })
  askAbout({ plan: {}, month: 'April' })
  expect(now().isStale).toBe(true)
  expect(asker.asked).toHaveLength(3)
})

test('a question that says the same in another object is not asked again', async () => {
  const { asker, askAbout, now } = render({ plan: PLAN, month: 'March' })
  askAbout({ plan: PLAN, month: 'March' })
  await act(async () => asker.asked[0]!.resolve('of March'))
  askAbout({ plan: PLAN, month: 'March' })
  expect(asker.asked).toHaveLength(1)
  expect(now().isStale).toBe(false)
})

test('a question that is not asked any more is given up; nothing is asked of nothing', () => {
  const { asker, askAbout, unmount } = render({ plan: PLAN, month: 'March' })
  askAbout(undefined)
  expect(asker.asked.map(({ cancelled }) => cancelled)).toEqual([true])
  unmount()
  expect(asker.closed).toBe(1)
})

test('steps and a failure are of the question that is asked; it can be asked again', async () => {
  const { asker, askAbout, now } = render({ plan: PLAN, month: 'March' })
  act(() => asker.asked[0]!.onStep(7))
  expect(now().step).toBe(7)
  await act(async () => asker.asked[0]!.reject(new Error('It failed.')))
  expect(now()).toMatchObject({ failure: 'It failed.', step: undefined })
  act(() => now().again())
  expect(now()).toMatchObject({ failure: undefined })
  await act(async () => asker.asked[1]!.resolve('of March'))
  expect(now()).toMatchObject({ answer: 'of March', isStale: false })
  askAbout({ plan: PLAN, month: 'April' })
  await act(async () => asker.asked[2]!.reject(new Error('It failed.')))
  askAbout({ plan: PLAN, month: 'May' })
  expect(now()).toMatchObject({ failure: undefined, isStale: true })
})

test('a question that is cancelled says so until it is asked again', async () => {
  const { asker, now } = render({ plan: PLAN, month: 'March' })
  act(() => now().cancel())
  expect(now().isCancelled).toBe(true)
  expect(asker.closed).toBe(1)
  act(() => now().again())
  expect(now().isCancelled).toBe(false)
  await act(async () => asker.asked[1]!.resolve('of March'))
  expect(now().answer).toBe('of March')
})

import { afterEach, expect, test, vi } from 'vitest'
import { answerWith } from './answerWith.ts'
import { askOnce } from './askOnce.ts'
import { LocalWorker } from './testing/LocalWorker.ts'

afterEach(() => {
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

const ask = (answer: (ask: number) => void | Promise<void>) => {
  const worker = new LocalWorker()
  answerWith(answer)
  return { worker, asked: askOnce<number>(worker as unknown as Worker, 4, 'It failed.') }
}

test('an answer ends the question and its worker', async () => {
  const { worker, asked } = ask((n) => self.postMessage(n * 2))
  await expect(asked.answer).resolves.toBe(8)
  expect(worker.terminated).toBe(true)
})

test.each<[string, () => void | Promise<void>]>([
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
])('what is thrown %s ends the question with a sentence, and its cause is logged', async (_, fail) => {
  const log = vi.spyOn(console, 'warn').mockImplementation(() => undefined)
  const { worker, asked } = ask(fail)
  await expect(asked.answer).rejects.toThrow('It failed.')
  expect(log).toHaveBeenCalledWith('Uncaught TypeError: null has no machines')
  expect(worker.terminated).toBe(true)
})

import { afterEach, expect, test, vi } from 'vitest'
import { rememberedHere, rememberHere } from './rememberedHere.ts'

afterEach(() => vi.unstubAllGlobals())

test('what was chosen is known again, from the page or from the browser', () => {
  const kept = new Map([['notchgauge-old', 'fixed']])
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
  })
  expect(rememberedHere('old')).toBe('fixed')
  expect(rememberedHere('new')).toBeUndefined()
  rememberHere('new', 'weight')
  expect([rememberedHere('new'), kept.get('notchgauge-new')]).toEqual(['weight', 'weight'])
})

test('a browser that keeps nothing holds it while the page is open', () => {
  const refuse = (): never => {
    throw new Error('refused')
  }
  vi.stubGlobal('localStorage', { getItem: refuse, setItem: refuse })
  expect(rememberedHere('refused')).toBeUndefined()
  rememberHere('refused', 'dark')
  expect(rememberedHere('refused')).toBe('dark')
})

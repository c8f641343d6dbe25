import { expect, test } from 'vitest'
import { rememberedMeanings, rememberMeanings } from './rememberedMeanings.ts'
import { stubStorage } from './testing/stubStorage.ts'

const KEY = 'notchgauge-inventory-words'
const stored = stubStorage()

test('what a word meant is kept, and the last meaning stands', () => {
  rememberMeanings(new Map([['region Frankfurt', 'east'], ['image Linux', 'free']])) // prettier-ignore
  rememberMeanings(new Map([['region Frankfurt', 'west']]))
  expect([...rememberedMeanings()]).toEqual([
    ['image Linux', 'free'],
    ['region Frankfurt', 'west'],
  ])
})

test('two thousand words are kept, the newest longest', () => {
  rememberMeanings(new Map([['first', 'a']]))
  rememberMeanings(new Map(Array.from({ length: 2_000 }, (_, i) => [`word ${i}`, 'b'] as const)))
  expect(rememberedMeanings().size).toBe(2_000)
  expect(rememberedMeanings().has('first')).toBe(false)
})

test.each(['{', '{"a":"b"}', '[["only a key"]]', '[["a",1]]'])(
  'what cannot be read is forgotten: %s',
  (text) => {
    stored().set(KEY, text)
    expect(rememberedMeanings().size).toBe(0)
    rememberMeanings(new Map([['a', 'b']]))
    expect(rememberedMeanings().get('a')).toBe('b')
  },
)

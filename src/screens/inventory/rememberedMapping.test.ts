import { expect, test, vi } from 'vitest'
import { rememberedMapping, rememberMapping } from './rememberedMapping.ts'
import { stubStorage } from './testing/stubStorage.ts'

const KEY = 'notchgauge-inventory-columns'
const stored = stubStorage()

test('a table with the same columns is read as the last one was', () => {
  rememberMapping(['host', 'RAM', 'x'], ['name', 'memory', undefined])
  expect(rememberedMapping(['host', 'RAM', 'x'])).toEqual(['name', 'memory', undefined])
  expect(rememberedMapping(['host', 'RAM'])).toBeUndefined()
  rememberMapping(['host', 'RAM', 'x'], ['name', undefined, 'tag'])
  expect(rememberedMapping(['host', 'RAM', 'x'])).toEqual(['name', undefined, 'tag'])
})

test('the last twenty are kept', () => {
  for (let i = 0; i < 25; i += 1) rememberMapping([`list ${i}`], ['name'])
  expect(rememberedMapping(['list 24'])).toEqual(['name'])
  expect(rememberedMapping(['list 5'])).toEqual(['name'])
  expect(rememberedMapping(['list 4'])).toBeUndefined()
})

test.each([
  'not JSON',
  '{}',
  '[{"columns":["a"],"mapping":["unheard of"]}]',
  '[{"columns":["a"],"mapping":[],"more":1}]',
  '[{"columns":["a"],"mapping":["name","size"]}]',
])('what is stored as %s is not used, and gives way', (text) => {
  stored().set(KEY, text)
  expect(rememberedMapping(['a'])).toBeUndefined()
  rememberMapping(['a'], ['size'])
  expect(rememberedMapping(['a'])).toEqual(['size'])
})

test('a browser that stores nothing asks each time', () => {
  const refuse = (): never => {
    throw new DOMException('no', 'SecurityError')
  }
  vi.stubGlobal('localStorage', { getItem: refuse, setItem: refuse })
  expect(() => rememberMapping(['a'], ['name'])).not.toThrow()
  expect(rememberedMapping(['a'])).toBeUndefined()
})

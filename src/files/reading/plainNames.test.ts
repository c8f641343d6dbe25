import fc from 'fast-check'
import { expect, test } from 'vitest'
import { plainName, plainNames } from './plainNames.ts'
import { randomRuns } from '../../core/testing/randomRuns.ts'

test.each([
  ['Signal replay', 'signal-replay'],
  ['Prüfstand für Züge', 'pruefstand-fuer-zuege'],
  ['São João, nº 2', 'sao-joao-no-2'],
  ['Депо Восток', 'depo-vostok'],
  ['Αθήνα', 'athina'],
  ['Łódź & Kraków', 'lodz-krakow'],
  ['__', 'plan'],
  ['試験', 'plan'],
  ['x'.repeat(80), 'x'.repeat(60)],
  [`${'x'.repeat(59)}-y`, 'x'.repeat(59)],
])('%s is %s', (text, plain) => expect(plainName(text)).toBe(plain))

test('any names are plain, as long as they may be, and never the same', () => {
  const name = fc.oneof(
    fc.string({ unit: 'grapheme', maxLength: 70 }),
    fc.constantFrom('ü', 'ue', 'UE', '', '-', 'a-2', 'a'),
  )
  fc.assert(
    fc.property(fc.uniqueArray(name, { maxLength: 40 }), fc.integer({ min: 6, max: 63 }), (names, most) => {
      const plain = plainNames(
        names.map((each) => ({ name: each, most })),
        ['a'],
      )
      expect(plain).toHaveLength(names.length)
      expect(new Set([...plain, 'a']).size).toBe(names.length + 1)
      for (const each of plain) {
        expect(each).toMatch(/^[a-z0-9]([a-z0-9-]*[a-z0-9])?$/)
        expect(each.length).toBeLessThanOrEqual(Math.max(most, 'machine'.length))
      }
    }),
    randomRuns(300),
  )
})

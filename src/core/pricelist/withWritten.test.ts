import { expect, test } from 'vitest'
import type { RowMeaning } from './listMapping.ts'
import { withWritten, writtenOf } from './withWritten.ts'

test('one column is written otherwise, and the others as they were', () => {
  const meaning: RowMeaning = {
    is: 'size-price',
    only: [],
    fields: {},
    written: [
      { column: 'Leeds', decimalMark: ',' },
      { column: 'Porto', decimalMark: ',', dateOrder: 'day-first' },
    ],
  }
  const next = withWritten(meaning, 'Porto', { decimalMark: '.' })
  expect(next.written).toEqual([
    { column: 'Leeds', decimalMark: ',' },
    { column: 'Porto', decimalMark: '.', dateOrder: 'day-first' },
  ])
  expect([writtenOf(next, 'Leeds')?.decimalMark, writtenOf(next, 'Gdynia')]).toEqual([',', undefined])
})

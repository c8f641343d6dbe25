import { expect, test } from 'vitest'
import { answerPlace } from './answerPlace.ts'

test('what was brought together is called otherwise together, and is in one city', () => {
  const together = answerPlace([], 'PUNE-1', { name: 'Pune 1' })
  expect(together).toEqual([{ text: 'PUNE-1', name: 'Pune 1' }])
  const renamed = answerPlace(together, 'Pune 1', { name: 'West' })
  expect(renamed).toEqual([
    { text: 'PUNE-1', name: 'West' },
    { text: 'Pune 1', name: 'West' },
  ])
  expect(answerPlace(renamed, 'West', { city: 'Pune' })).toEqual([
    { text: 'PUNE-1', name: 'West', city: 'Pune' },
    { text: 'Pune 1', name: 'West', city: 'Pune' },
    { text: 'West', city: 'Pune' },
  ])
  expect(answerPlace(renamed, 'Kochi', { city: '' })).toEqual([...renamed, { text: 'Kochi', city: '' }])
})

import { expect, test } from 'vitest'
import { LEAST_SPAN, WHOLE_FIELD } from '../../core/market/fieldPart.ts'
import { moved, within, zoomed } from './zoomed.ts'

test('what is zoomed about stays where it is, and back is the whole field', () => {
  const near = zoomed(WHOLE_FIELD, 0.5, 0.25, 0.75)
  expect(near).toEqual({ left: 0.125, right: 0.625, top: 0.375, bottom: 0.875 })
  expect(zoomed(near, 4, 0.5, 0.5)).toBe(WHOLE_FIELD)
})

test('nothing is shown beyond the field, nor nearer than is any use', () => {
  const near = zoomed(WHOLE_FIELD, 0.5, 1, 1)
  expect(near).toEqual({ left: 0.5, right: 1, top: 0.5, bottom: 1 })
  expect(moved(near, 3, -9)).toEqual({ left: 0.5, right: 1, top: 0, bottom: 0.5 })
  const least = zoomed(WHOLE_FIELD, 1e-9, 0.5, 0.5)
  expect(least.right - least.left).toBeCloseTo(LEAST_SPAN, 9)
})

test('a lasso shows what it was drawn around, drawn either way', () => {
  const drawn = within(WHOLE_FIELD, [0.6, 0.2], [0.1, 0.5])
  expect([drawn.left, drawn.right, drawn.top, drawn.bottom].map((share) => Number(share.toFixed(9)))).toEqual(
    [0.2, 0.6, 0.1, 0.5],
  )
})

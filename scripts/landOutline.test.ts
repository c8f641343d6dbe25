import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { landOutline } from './landOutline.ts'

test('the outline that ships is that of the package it is made from', () => {
  const { path } = JSON.parse(readFileSync('src/screens/market/land.json', 'utf8')) as { path: string }
  expect(path).toBe(landOutline())
  // Rings, each closed, of degrees within the world.
  const figures = path.match(/[\d.]+/g)!.map(Number)
  expect(Math.min(...figures)).toBeGreaterThanOrEqual(0)
  expect(Math.max(...figures)).toBeLessThanOrEqual(360)
  expect(path.split('M').length).toBeGreaterThan(100)
})

test('no line of it crosses the map', () => {
  for (const ring of landOutline().split('M').slice(1)) {
    const points = ring
      .replace('Z', '')
      .split('L')
      .map((point) => Number(point.split(' ')[0]))
    for (const [at, east] of points.entries())
      if (at > 0) expect(Math.abs(east - points[at - 1]!)).toBeLessThan(180)
  }
})

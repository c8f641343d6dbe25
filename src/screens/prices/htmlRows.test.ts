// @vitest-environment happy-dom
import { expect, test } from 'vitest'
import { htmlRows } from './htmlRows.ts'

test('the largest table is taken, a merged cell stands in each place that it spans, and a raised figure is no digit', () => {
  const html = `
    <table><tr><td>menu</td></tr></table>
    <table>
      <thead><tr><th rowspan="2">size</th><th colspan="2">per hour</th></tr><tr><th>Leeds</th><th>Kobe</th></tr></thead>
      <tbody><tr><td> kettle
        2 </td><td>0.05<sup>1</sup></td><td></td></tr></tbody>
    </table>`
  expect(htmlRows(html)).toEqual([
    ['size', 'per hour', 'per hour'],
    ['size', 'Leeds', 'Kobe'],
    ['kettle 2', '0.05 [1]', ''],
  ])
})

test('what is no table is none, and spans have an end', () => {
  expect(htmlRows('<p>4 vCPU</p>')).toEqual([])
  expect(htmlRows('<table><tr><td colspan="999999">a</td></tr></table>')[0]!.length).toBe(200)
})

import { expect, test } from 'vitest'
import { htmlTables } from './htmlTables.ts'

test('a merged cell stands in each place that it spans, and a raised figure is no digit', () => {
  const html = `
    <table><tr><td>menu</td></tr></table>
    <h2>Machines &amp; more</h2>
    <table>
      <thead><tr><th rowspan="2">size</th><th colspan="2">per hour</th></tr><tr><th>Leeds</th><th>Kobe</th></tr></thead>
      <tbody><tr><td> kettle
        2 </td><td>0.05<sup>1</sup></td><td></td></tr></tbody>
    </table>`
  expect(htmlTables(html)).toEqual([
    {
      name: 'Machines & more',
      rows: [
        ['size', 'per hour', 'per hour'],
        ['size', 'Leeds', 'Kobe'],
        ['kettle 2', '0.05 [1]', ''],
      ],
    },
  ])
})

test('tables within tables, ends that are left out, and what is not to be seen', () => {
  const html =
    '<table><caption>outer</caption><tr><td>a<td>b<table><tr><td>x<td>y<tr><td>1<td>2</table><script>no</script>' +
    '<tr><td>c<td>d</table><table><tr><th>open<th>end<tr><td>1<td>2'
  expect(htmlTables(html)).toEqual([
    {
      name: 'table 1',
      rows: [
        ['x', 'y'],
        ['1', '2'],
      ],
    },
    {
      name: 'outer',
      rows: [
        ['a', 'b'],
        ['c', 'd'],
      ],
    },
    {
      name: 'table 3',
      rows: [
        ['open', 'end'],
        ['1', '2'],
      ],
    },
  ])
})

test('what is no table is none, and spans have an end', () => {
  expect(htmlTables('<p>4 vCPU</p>')).toEqual([])
  const wide = htmlTables('<table><tr><td colspan="999999">a<td>b<tr><td rowspan="999999">c</table>')
  expect(wide[0]!.rows.map((row) => row.length)).toEqual([201, 1])
})

// @vitest-environment happy-dom
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { useState } from 'react'
import { afterEach, expect, test } from 'vitest'
import type { SheetColumn } from './sheetColumn.ts'
import { SheetGrid } from './SheetGrid'
import type { SheetRow } from './useSheetRows.ts'

afterEach(cleanup)

const COLUMNS: readonly SheetColumn[] = [
  { id: 'name', head: 'Name', label: 'Name', width: '1fr' },
  { id: 'price', head: 'Price', label: 'Price', width: '1fr', isNumber: true },
]

/** Takes rows whose price is a number, and keeps it with two decimals. */
function Sheet({ start = [] }: { readonly start?: readonly SheetRow[] }) {
  const [rows, setRows] = useState<readonly SheetRow[]>(start)
  return (
    <SheetGrid
      label="Sizes"
      noun="size"
      columns={COLUMNS}
      rows={rows}
      version={0}
      onRow={(id, [name = '', price = '']) => {
        if (name === '' || !/^\d+(\.\d+)?$/.test(price)) {
          return { problems: [undefined, price === '' ? undefined : 'a number, please'] }
        }
        const row = { id: id ?? name, cells: [name, Number(price).toFixed(2)] }
        setRows((all) => (id ? all.map((each) => (each.id === id ? row : each)) : [...all, row]))
        return { id: row.id }
      }}
      onRemove={(id) => setRows((all) => all.filter((each) => each.id !== id))}
    />
  )
}

const field = (name: string): HTMLInputElement => screen.getByRole('textbox', { name })
const type = (name: string, text: string): void => {
  fireEvent.change(field(name), { target: { value: text } })
}

test('a row is taken once it is whole, stays as it was typed until it is left, and an empty one follows', () => {
  render(<Sheet />)
  type('Name, new size', 'tern')
  type('Price, tern', '4')
  expect(field('Price, tern').value).toBe('4')
  expect(field('Name, new size').value).toBe('')
  fireEvent.blur(field('Price, tern'), { relatedTarget: null })
  expect(field('Price, tern').value).toBe('4.00')
})

test('what cannot be taken says why beside its cell, and is not lost', () => {
  render(<Sheet start={[{ id: 'a', cells: ['a', '1.00'] }]} />)
  type('Price, a', 'x')
  expect(field('Price, a')).toHaveProperty('value', 'x')
  expect(field('Price, a').getAttribute('aria-invalid')).toBe('true')
  expect(screen.getByText('a number, please')).toBeDefined()
  type('Price, a', '2')
  expect(screen.queryByText('a number, please')).toBeNull()
})

test('a block is pasted from its cell on, beyond the rows as new ones', () => {
  render(<Sheet start={[{ id: 'a', cells: ['a', '1.00'] }]} />)
  const getData = (): string => 'a\t3\nb\t4\r\nc\tx\n'
  fireEvent.paste(field('Name, a'), { clipboardData: { getData } })
  expect(['a', 'b', 'c'].map((name) => field(`Price, ${name}`).value)).toEqual(['3.00', '4.00', 'x'])
  expect(screen.getAllByRole('row')).toHaveLength(5)
})

test('only one row is reached by Tab, and behind what was typed comes the next', () => {
  render(<Sheet start={[{ id: 'a', cells: ['a', '1.00'] }]} />)
  expect(field('Name, a').tabIndex).toBe(-1)
  expect(field('Name, new size').tabIndex).toBe(0)
  type('Name, new size', 'b')
  type('Price, b', '2')
  act(() => field('Price, b').focus())
  expect(field('Name, b').tabIndex).toBe(0)
  fireEvent.keyDown(field('Price, b'), { key: 'Tab' })
  expect(document.activeElement).toBe(field('Name, new size'))
  fireEvent.keyDown(field('Name, new size'), { key: 'ArrowUp' })
  expect(document.activeElement).toBe(field('Name, b'))
})

test('of many rows some are drawn, the others are found or asked for', () => {
  const start = Array.from({ length: 500 }, (_, i) => ({ id: `s${i}`, cells: [`size ${i}`, '1.00'] }))
  render(<Sheet start={start} />)
  expect(screen.getAllByRole('row').length).toBeLessThan(130)
  fireEvent.change(screen.getByRole('searchbox', { name: 'Find a size' }), { target: { value: 'size 499' } })
  expect(field('Price, size 499').value).toBe('1.00')
  fireEvent.change(screen.getByRole('searchbox', { name: 'Find a size' }), { target: { value: '' } })
  fireEvent.click(screen.getByRole('button', { name: 'Show more of 380 below' }))
  expect(screen.getAllByRole('row').length).toBeGreaterThan(400)
})

test('a row goes, and the others stay', () => {
  render(
    <Sheet
      start={[
        { id: 'a', cells: ['a', '1.00'] },
        { id: 'b', cells: ['b', '2.00'] },
      ]}
    />,
  )
  fireEvent.click(screen.getByRole('button', { name: 'Delete a' }))
  expect(screen.queryByRole('textbox', { name: 'Name, a' })).toBeNull()
  expect(field('Price, b').value).toBe('2.00')
})

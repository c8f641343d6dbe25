import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { bookFiles } from './bookFiles.ts'

test('a folder stands for the price books in it, by name; other files are passed over', () => {
  const folder = mkdtempSync(join(tmpdir(), 'notchgauge-books-'))
  const write = (name: string, text: string): void => writeFileSync(join(folder, name), text)
  write('b.json', '{ "format": "notchgauge/price-book/1" }')
  write('a.json', '{ "format": "notchgauge/price-book/1" }')
  write('plan.json', '{ "format": "notchgauge/plan/1" }')
  write('notes.txt', '"notchgauge/price-book/1"')
  expect(bookFiles(folder)).toEqual([join(folder, 'a.json'), join(folder, 'b.json')])
})

test('a file stands for itself, there or not', () => {
  expect(bookFiles('data/fennmark.json')).toEqual(['data/fennmark.json'])
  expect(bookFiles('nowhere.json')).toEqual(['nowhere.json'])
})

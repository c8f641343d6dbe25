import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { beforeEach, expect, test } from 'vitest'
import type { PriceRecipe } from '../core/pricelist/priceRecipe.ts'
import { readRecipe, writeRecipe } from '../files/pricelist/recipeFile.ts'
import { readingOfList } from '../files/pricelist/testing/answerToList.ts'
import { osier } from '../files/pricelist/testing/osier.ts'
import { saltmarsh } from '../files/pricelist/testing/saltmarsh.ts'
import { writePriceBook } from '../files/priceBook/priceBookFile.ts'
import { runBook } from './book.ts'
import { CommandRun } from './CommandRun.ts'

const text = saltmarsh().files[0]!.content as string
const provider = { id: 'saltmarsh', name: 'Saltmarsh' }
let folder: string
let out: string[]
let problems: string[]

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'book-'))
  out = []
  problems = []
  writeFileSync(join(folder, 'list.csv'), text)
})

const run = (...args: string[]): Promise<number> =>
  runBook(
    args,
    new CommandRun(
      (line) => out.push(line),
      (line) => problems.push(line),
    ),
  )

/** What the screen makes of the list, and the recipe that it keeps. */
async function onScreen(files = [{ name: 'list.csv', content: text }]) {
  const { book, mapping, unsure, manner } = await readingOfList(files, {
    provider,
    from: '2027-04-01',
    manner: 'begun-hour',
  })
  return { book: book!, recipe: { provider, manner, mapping, assumed: unsure } satisfies PriceRecipe }
}

const argsOf = (recipe: string, list = join(folder, 'list.csv')): string[] => {
  writeFileSync(join(folder, 'recipe.json'), recipe)
  return [
    '--recipe',
    join(folder, 'recipe.json'),
    '--list',
    list,
    '--valid-from',
    '2027-04-01',
    '--out',
    join(folder, 'book.json'),
  ]
}

test('a recipe makes the same bytes of a list as the screen does', async () => {
  const { book, recipe } = await onScreen()
  expect(await run(...argsOf(writeRecipe(recipe)))).toBe(0)
  expect(readFileSync(join(folder, 'book.json'), 'utf8')).toBe(writePriceBook(book))
  expect(out.join('')).toContain('24 sizes in 6 places, from 792 of 792 rows.')
})

test('of several files, whatever they are called that month, the same bytes', async () => {
  const files = osier().files.map(({ name, content }) => ({ name, content: content as string }))
  const { book, recipe } = await onScreen(files)
  const paths = files.map(({ name, content }, i) => {
    const path = join(folder, `april-${i}${name.slice(-4)}`)
    writeFileSync(path, content)
    return path
  })
  const [first, ...others] = paths
  const args = [...argsOf(writeRecipe(recipe), first), ...others.flatMap((path) => ['--list', path])]
  expect(await run(...args)).toBe(0)
  expect(readFileSync(join(folder, 'book.json'), 'utf8')).toBe(writePriceBook(book))
  // A file that is missing is said by the columns that nobody has.
  expect(await run(...argsOf(writeRecipe(recipe), first))).toBe(2)
  expect(problems.join('')).toContain('in a table such as “osier-')
})

test('a recipe comes back from its file as it was, and its file is always the same', async () => {
  const { recipe } = await onScreen()
  const read = readRecipe(writeRecipe(recipe))
  expect(read).toEqual({ ok: true, value: recipe })
  expect(read.ok && writeRecipe(read.value)).toBe(writeRecipe(recipe))
})

test.each<[string, (recipe: Record<string, unknown>) => void, RegExp]>([
  ['of a newer version', (r) => (r.format = 'notchgauge/price-recipe/9'), /version/],
  ['that is none', (r) => (r.format = 'notchgauge/plan/1'), /price-recipe|recipe/],
  ['with an unknown manner', (r) => (r.manner = 'as they like'), /\/manner/],
  ['with a field that there is not', (r) => (r.more = 1), /\/more/],
])('a recipe %s is refused with its place', async (_, breakIt, problem) => {
  const { recipe } = await onScreen()
  const draft = JSON.parse(writeRecipe(recipe)) as Record<string, unknown>
  breakIt(draft)
  expect(await run(...argsOf(JSON.stringify(draft)))).toBe(2)
  expect(problems.join('')).toMatch(problem)
})

test('a list of another shape, one that is not there and a date that is none are said, a line each', async () => {
  const { recipe } = await onScreen()
  const other = join(folder, 'other.csv')
  writeFileSync(other, 'name,cost\nm1,2\nm2,3\n')
  expect(await run(...argsOf(writeRecipe(recipe), other))).toBe(2)
  expect(problems.join('').trim().split('\n')).toHaveLength(7)
  expect(problems.join('')).toContain('There is no column “sku_label”, which the recipe reads.')
  expect(await run(...argsOf(writeRecipe(recipe), join(folder, 'none.csv')))).toBe(2)
  const args = argsOf(writeRecipe(recipe))
  args[5] = 'soon'
  expect(await run(...args)).toBe(2)
  expect(problems.join('')).toContain('--valid-from soon')
})

test('two editions are compared, with what that does to a plan', async () => {
  const before = readFileSync('data/quarry-row-2026-10.json', 'utf8')
  const after = before
    .replace('"edition": "2026-10"', '"edition": "2026-11"')
    .replace('"perCoreHour": "0.0', '"perCoreHour": "0.1')
  writeFileSync(join(folder, 'old.json'), before)
  writeFileSync(join(folder, 'new.json'), after)
  const paths = [join(folder, 'old.json'), join(folder, 'new.json')]
  expect(await run('diff', ...paths, '--plan', 'data/larkspur-trams.json', '--month', '2027-03')).toBe(0)
  const said = out.join('')
  expect(said).toMatch(/Quarry Row, 2026-10 to 2026-11: 1 dearer, 0 cheaper, 0 new, 0 gone, \d+ the same\./)
  expect(said).toMatch(/^dearer {3}.*perCoreHour: 0\.0\d+ to 0\.1\d+, \+/m)
  expect(said).toMatch(/^[a-z-]+ {2}\d+\.\d\d to \d+\.\d\d EUR/m)
  expect(await run('diff', paths[0]!, join(folder, 'list.csv'))).toBe(2)
  expect(await run('diff', ...paths, '--plan', 'data/larkspur-trams.json', '--month', 'soon')).toBe(2)
})

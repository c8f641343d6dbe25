import 'fake-indexeddb/auto'
import { expect, test } from 'vitest'
import type { BillRecipe } from '../core/billMapping/billMapping.ts'
import { billRecipesOf } from './BillRecipes.ts'
import { openDatabase } from './database.ts'
import type { Session } from './session.ts'

const recipe = (provider: string, decimalMark: '.' | ',' = '.'): BillRecipe => ({
  provider,
  headings: ['day'],
  fields: { start: { from: 'column', column: 'day' } },
  kinds: [],
  units: [],
  dates: 'day-first',
  decimalMark,
  tags: [],
})

test('a provider has one recipe, the newest; of many, one that is kept never gives way at once', async () => {
  const db = openDatabase('bill-recipes')
  const kept = billRecipesOf({ db } as unknown as Session)
  await kept.keep(recipe('Mill'))
  await kept.keep(recipe('Mill', ','))
  expect(await kept.list()).toEqual([recipe('Mill', ',')])
  await db.billRecipes.put({ provider: 'Broken', text: '{' })
  expect(await kept.list()).toEqual([recipe('Mill', ',')])
  for (let i = 0; i < 105; i += 1) await kept.keep(recipe(`P${i}`))
  const names = (await kept.list()).map(({ provider }) => provider)
  expect(await db.billRecipes.count()).toBe(100)
  expect(names).toContain('P104')
  db.close()
})

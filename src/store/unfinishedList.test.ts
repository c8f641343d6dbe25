import 'fake-indexeddb/auto'
import { expect, test } from 'vitest'
import type { ListMapping } from '../core/pricelist/listMapping.ts'
import { openDatabase } from './database.ts'
import { UnfinishedList, type ListInHand } from './UnfinishedList.ts'

const mapping: ListMapping = {
  currency: 'EUR',
  units: { memory: 'GiB', vcpuPerCount: 1, period: 'hour', perCount: 1, diskRoom: 'GiB' },
  rows: [{ is: 'size-price', only: [], fields: { size: { from: 'column', column: 'what' } } }],
}

const pasted: ListInHand = {
  name: 'Pasted table',
  source: {
    kind: 'tables',
    tables: [
      {
        name: 'table',
        rows: [
          ['what', 'each'],
          ['m', '0.1'],
        ],
      },
    ],
  },
  provider: 'Own',
  manner: 'until-deleted',
  mapping,
  assumed: ['period'],
}

test('what was answered of a list is there again, until it is given up', async () => {
  const db = openDatabase('unfinished')
  const store = new UnfinishedList(db)
  expect(await store.read()).toBeUndefined()
  await store.keep(pasted)
  expect(await store.read()).toEqual(pasted)
  const { mapping: _, assumed: __, ...untouched } = pasted
  await store.keep(untouched)
  expect(await store.read()).toEqual(untouched)
  await store.forget()
  expect(await store.read()).toBeUndefined()
})

test('answers that cannot be read any more are proposed anew, and a source that is none is no list', async () => {
  const db = openDatabase('damaged')
  const store = new UnfinishedList(db)
  await store.keep(pasted)
  await db.lists.update('open', { recipe: '{"format":' })
  expect(await store.read()).toEqual({
    name: pasted.name,
    source: pasted.source,
    provider: pasted.provider,
    manner: pasted.manner,
  })
  await db.lists.update('open', { tables: [{ name: 'table', rows: [[1]] }] as never })
  expect(await store.read()).toBeUndefined()
})

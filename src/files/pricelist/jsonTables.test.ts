import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { jsonTables, ndjsonTables } from './jsonTables.ts'
import { UnreadableList } from './listTable.ts'

/** The only table, its headings first. */
const rowsOf = (tables: ReturnType<typeof jsonTables>): (readonly string[])[] => {
  expect(tables.length).toBe(1)
  return [tables[0]!.columns, ...tables[0]!.rows]
}
const jsonRows = (value: unknown) => rowsOf(jsonTables(value))

describe('JSON as tables', () => {
  test('an array of objects is a row for each, with nested figures as columns', () => {
    expect(
      jsonRows([
        { size: 's', spec: { vcpu: 2, ram: '8 GiB' }, price: { Lyon: 0.1, Turku: 0.2 } },
        { size: 'm', spec: { vcpu: 4, ram: '16 GiB' }, price: { Lyon: 0.2 } },
      ]),
    ).toEqual([
      ['size', 'spec.vcpu', 'spec.ram', 'price.Lyon', 'price.Turku'],
      ['s', '2', '8 GiB', '0.1', '0.2'],
      ['m', '4', '16 GiB', '0.2', ''],
    ])
  })

  test('objects whose keys are data are rows, and what stands above belongs to each', () => {
    const list = {
      currency: 'GBP',
      regions: {
        r00: {
          town: 'Leeds',
          sizes: [
            { name: 's', hour: 0.1 },
            { name: 'm', hour: 0.2 },
          ],
        },
        r01: { town: 'Kobe', sizes: [{ name: 's', hour: 0.3 }] },
      },
    }
    expect(jsonRows(list)).toEqual([
      ['currency', 'regions', 'town', 'name', 'hour'],
      ['GBP', 'r00', 'Leeds', 's', '0.1'],
      ['GBP', 'r00', 'Leeds', 'm', '0.2'],
      ['GBP', 'r01', 'Kobe', 's', '0.3'],
    ])
  })

  test('what is called the same above and below has two headings', () => {
    expect(jsonRows([{ name: 'Leeds', sizes: [{ name: 's', price: 1 }] }])).toEqual([
      ['name', 'name (2)', 'price'],
      ['Leeds', 's', '1'],
    ])
  })

  test('collections beside each other are tables, also where their keys are the same and maps have one', () => {
    const list = {
      issued: '2027-03-01',
      makes: { k1: { label: 'moor 1', line: 'moor' }, k2: { label: 'moor 2', line: 'moor' } },
      rates: {
        k1: { hourly: { leeds: [{ from: 0, rate: 0.1 }] }, '1y': { leeds: [{ from: 0, rate: 0.07 }] } },
        k2: { hourly: { leeds: [{ from: 0, rate: 0.2 }], kobe: [{ from: 0, rate: 0.3 }] } },
      },
    }
    expect(jsonTables(list)).toEqual([
      {
        name: 'makes',
        columns: ['issued', 'makes', 'label', 'line'],
        rows: [
          ['2027-03-01', 'k1', 'moor 1', 'moor'],
          ['2027-03-01', 'k2', 'moor 2', 'moor'],
        ],
      },
      {
        name: 'rates',
        columns: ['issued', 'rates', 'rates (2)', 'rates (3)', 'from', 'rate'],
        rows: [
          ['2027-03-01', 'k1', 'hourly', 'leeds', '0', '0.1'],
          ['2027-03-01', 'k1', '1y', 'leeds', '0', '0.07'],
          ['2027-03-01', 'k2', 'hourly', 'leeds', '0', '0.2'],
          ['2027-03-01', 'k2', 'hourly', 'kobe', '0', '0.3'],
        ],
      },
    ])
  })

  test('line by line, with lines that are none', () => {
    expect(rowsOf(ndjsonTables('{"a":1}\n\n{"a":2}\n{"a":'))).toEqual([
      ['a', 'unreadable'],
      ['1', ''],
      ['2', ''],
      ['', '{"a":'],
    ])
  })

  test('every scalar of a list of records is in its row', () => {
    const record = fc.dictionary(fc.constantFrom('a', 'b', 'c', 'd'), fc.oneof(fc.integer(), fc.string()), {
      minKeys: 1,
    })
    fc.assert(
      fc.property(fc.array(record, { minLength: 1, maxLength: 20 }), (records) => {
        const [headings, ...rows] = jsonRows(records)
        expect(
          rows.map((row) =>
            Object.fromEntries(headings!.flatMap((head, i) => (row[i] === '' ? [] : [[head, row[i]]]))),
          ),
        ).toEqual(
          records.map((each) =>
            Object.fromEntries(
              Object.entries(each).flatMap(([key, value]) => (value === '' ? [] : [[key, String(value)]])),
            ),
          ),
        )
      }),
    )
  })

  test('ends in bounded depth and width, and keeps names that objects inherit', () => {
    let deep: unknown = { a: 1 }
    for (let i = 0; i < 100; i++) deep = { a: deep }
    expect(() => jsonRows(deep)).toThrow(UnreadableList)
    expect(() =>
      jsonRows([Object.fromEntries(Array.from({ length: 2_000 }, (_, i) => [`c${i}`, 1]))]),
    ).toThrow(UnreadableList)
    expect(jsonRows(JSON.parse('[{"__proto__": 1, "constructor": 2}]'))).toEqual([
      ['__proto__', 'constructor'],
      ['1', '2'],
    ])
  })
})

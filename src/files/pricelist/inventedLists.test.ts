import { describe, expect, test } from 'vitest'
import { readingOfList } from './testing/answerToList.ts'
import { expectTrue } from './testing/expectTrue.ts'
import { INVENTED_LISTS } from './testing/inventedLists.ts'
import { saltmarsh } from './testing/saltmarsh.ts'

describe('what is proposed for the lists that ship makes a right book', () => {
  test.each(Object.keys(INVENTED_LISTS))('%s', async (name) => {
    const list = INVENTED_LISTS[name]!()
    const read = await readingOfList(list.files)
    expectTrue(read.book, list)
  })

  /** What a person would answer for the rows of sizes: columns by what they say. */
  const COLUMNS: { readonly [name: string]: Readonly<Record<string, string>> } = {
    saltmarsh: {
      size: 'sku_label',
      vcpu: 'sku_label',
      memory: 'mem gib',
      place: 'site',
      system: 'os',
      term: 'plan',
      price: 'rate_std_hr',
      currency: 'cur',
    },
    copperbeck: { size: 'Modell', vcpu: 'vCPU', memory: 'RAM (GB)' },
    'hartwell yard': {
      size: 'makes: label',
      vcpu: 'carries: cores_virtual',
      memory: 'carries: ram_mib',
      architecture: 'carries: isa',
      family: 'makes: line',
      place: 'yards: town',
      term: 'tenures: term',
      price: 'gbp_per_hour',
      currency: 'currency',
      bandFrom: 'from',
    },
    windle: {
      size: 'Size',
      family: 'Sizes: Series',
      vcpu: 'Sizes: Threads',
      memory: 'Sizes: Memory, GiB',
      mostDisks: 'Sizes: Most disks',
    },
    osier: {
      size: 'osier-sizes: machine',
      vcpu: 'osier-sizes: cores',
      memory: 'osier-sizes: mem_gib',
      network: 'osier-sizes: network mbps',
      place: 'place',
      term: 'term',
      price: 'INR per month',
    },
    'kettle lane': { size: 'Model', vcpu: 'What it has', memory: 'What it has' },
  }

  test('nine of ten columns are proposed rightly, and none is wrong without being marked', async () => {
    let [right, all] = [0, 0]
    const unmarked: string[] = []
    for (const [name, expected] of Object.entries(COLUMNS)) {
      const { mapping, unsure } = await readingOfList(INVENTED_LISTS[name]!().files)
      const { fields } = mapping.rows.find(({ is }) => is === 'size-price')!
      const proposed = new Map(
        Object.entries(fields).map(([field, source]) => [
          field,
          source?.from === 'column' ? source.column : '',
        ]),
      )
      for (const field of new Set([...proposed.keys(), ...Object.keys(expected)])) {
        all += 1
        if (proposed.get(field) === expected[field]) right += 1
        else if (!unsure.some((question) => question === `field/${field}`)) unmarked.push(`${name} ${field}`)
      }
    }
    expect(all).toBe(36)
    expect(right / all).toBeGreaterThanOrEqual(0.9)
    expect(unmarked).toEqual([])
  })

  test('a large one, of 3 systems and 5 terms', async () => {
    const list = saltmarsh({ sizes: 60, places: 8, systems: 3, terms: 5 })
    const { book } = await readingOfList(list.files)
    expectTrue(book, list)
    expect(book!.terms.map(({ name, kind }) => `${name}: ${kind}`)).toEqual([
      'On demand: on-demand',
      '1y: commitment',
      '3y: commitment',
      '1y pre: commitment',
      'spare: spot',
    ])
  })
})

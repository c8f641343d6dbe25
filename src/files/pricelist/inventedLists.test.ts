import { describe, expect, test } from 'vitest'
import type { ListReading } from './listAnswer.ts'
import { readList } from './readList.ts'
import { expectTrue } from './testing/expectTrue.ts'
import type { InventedList } from './testing/inventedList.ts'
import { INVENTED_LISTS } from './testing/inventedLists.ts'
import { saltmarsh } from './testing/saltmarsh.ts'

async function reading({ files }: InventedList): Promise<ListReading> {
  const steps = readList({
    source: { kind: 'files', files: files.map(({ name, content }) => ({ name, file: new Blob([content]) })) },
    provider: { id: 'own', name: 'Own' },
    from: '2027-03-01',
    manner: 'gives-back',
  })
  for (;;) {
    const step = await steps.next()
    if (!step.done) continue
    if (!step.value.ok) throw new Error(JSON.stringify(step.value.issues))
    return step.value.value
  }
}

describe('what is proposed for the lists that ship makes a right book', () => {
  test.each(Object.keys(INVENTED_LISTS))('%s', async (name) => {
    const list = INVENTED_LISTS[name]!()
    const read = await reading(list)
    console.log(
      JSON.stringify(
        {
          ...read,
          book: undefined,
          tables: read.tables.map(({ name: n, columns, role, rows, used }) => ({
            n,
            columns,
            role,
            rows,
            used,
          })),
          picture: undefined,
          proofs: undefined,
          values: undefined,
        },
        null,
        1,
      ),
    )
    expectTrue(read.book, list)
  })

  test('a large one, of 3 systems and 5 terms', async () => {
    const list = saltmarsh({ sizes: 60, places: 8, systems: 3, terms: 5 })
    const { book } = await reading(list)
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

import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { finish } from '../../core/finish.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { OFFICE_WEEK } from '../../core/testing/resolved.ts'
import { RULE_BOOK } from '../../core/testing/ruleBook.ts'
import { SMALL_MACHINE } from '../../core/testing/smallBook.ts'
import { proposedMapping } from './inventoryFields.ts'
import { decodeTable, parseTable } from './inventoryTable.ts'
import { readInventory } from './readInventory.ts'
import { recogniseTable } from './recogniseTable.ts'

/** Tables of machines in the writing of many makers, with the truth that they were made of: `scripts/otherBills.py`. */

interface MadeInventory {
  readonly name: string
  readonly text: string
  readonly machines: readonly {
    readonly name: string
    readonly vcpu: number
    readonly memory: number
    readonly disk: number
  }[]
}

const { inventories } = JSON.parse(readFileSync('src/files/bill/testing/otherBills.json', 'utf8')) as {
  readonly inventories: readonly MadeInventory[]
}

test.each(inventories.map((made) => [made.name, made] as const))('%s is read as it was made', (_, made) => {
  const bytes = new TextEncoder().encode(made.text)
  const habits = recogniseTable(bytes)
  const text = decodeTable(bytes, habits.encoding)
  const table = text.ok ? parseTable(text.value, habits.separator) : text
  if (!table.ok) throw new Error(JSON.stringify(table.issues))
  // Where it stands is asked of the person.
  const mapping = proposedMapping(table.value.columns).map((field) =>
    field === 'region' ? undefined : field,
  )
  const { rows } = finish(
    readInventory({
      ...habits,
      table: table.value,
      mapping,
      plan: { name: 'p', month: '2027-03' as YearMonth, weeks: [OFFICE_WEEK], machines: [SMALL_MACHINE] },
      books: [RULE_BOOK],
      month: '2027-03' as YearMonth,
      provider: RULE_BOOK.provider.id,
      week: OFFICE_WEEK,
      confirmed: new Map(),
      meant: new Map(),
    }),
  )
  expect(
    rows.map(
      ({ machine }) =>
        machine && [machine.name, machine.needs.vcpu, machine.needs.memoryGiB, machine.systemDisk.roomGiB],
    ),
  ).toEqual(made.machines.map(({ name, vcpu, memory, disk }) => [name, vcpu, memory, disk]))
})

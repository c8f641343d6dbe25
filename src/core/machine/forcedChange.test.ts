import { expect, test } from 'vitest'
import { indexBook } from '../catalogue/bookIndex.ts'
import { gib } from '../quantity/units.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { SMALL_MACHINE } from '../testing/smallBook.ts'
import { changesBetween } from './forcedChange.ts'

test('a size that leaves vCPU and memory to choose is another one with other vCPU and memory', () => {
  const free = RULE_BOOK.sizes.find(({ choice }) => choice)!
  const machine = {
    ...SMALL_MACHINE,
    provider: 'mill',
    size: free.id,
    chosen: { vcpu: 4, memoryGiB: gib(16) },
  }
  const smaller = { ...machine, chosen: { vcpu: 2, memoryGiB: gib(8) } }
  const index = indexBook(RULE_BOOK)
  expect(changesBetween(machine, smaller, index)).toEqual([
    { field: 'size', from: `${free.name} 4/16`, to: `${free.name} 2/8` },
  ])
  expect(changesBetween(machine, machine, index)).toEqual([])
})

import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { MappingQuestion } from '../../core/pricelist/listMapping.ts'
import { parseDecimal } from '../../core/quantity/decimal.ts'
import { ownValue } from '../../core/ownValue.ts'
import { randomRuns } from '../../core/testing/randomRuns.ts'
import type { ListReading } from './listAnswer.ts'
import { readingOfList } from './testing/answerToList.ts'
import { anyList, type MadePrice } from './testing/anyList.ts'

/** Questions whose answer could be why a figure is another one: what is asked is not sure. */
const ABOUT: Readonly<Record<'price' | 'vcpu' | 'memory', readonly MappingQuestion[]>> = {
  price: [
    'period',
    'perCount',
    'parts',
    'decimalMark',
    'currency',
    'field/price',
    'prices',
    'dateOrder',
    'rows',
    'terms',
    'field/size',
    'field/place',
  ],
  vcpu: ['vcpuPerCount', 'field/vcpu', 'field/size'],
  memory: ['memory', 'field/memory', 'decimalMark', 'field/size'],
}

/** What of a true price a book has otherwise; undefined where it does not have the price at all. */
function wrongIn({ book }: ListReading, made: MadePrice): (keyof typeof ABOUT)[] | undefined {
  const size = book?.sizes.find(({ name }) => name === made.size)
  const region = book?.regions.find(({ name }) => name === made.place)
  const price = size && region && ownValue(book!.prices[region.id]!.sizes, size.id)
  if (!price) return undefined
  const { perHour, perMonth } = price
  const amount = made.per === 'hour' ? perHour : perMonth
  const read = amount === undefined ? undefined : parseDecimal(amount)!
  const millionths = read && (read.n * 1_000_000_000_000n) / read.d
  const isRight =
    millionths !== undefined &&
    book!.currency === made.currency &&
    [-1n, 0n, 1n].includes(millionths - made.millionths)
  return [
    ...(isRight ? [] : (['price'] as const)),
    ...(size.vcpu === made.vcpu ? [] : (['vcpu'] as const)),
    ...(size.memoryGiB === made.memoryGiB ? [] : (['memory'] as const)),
  ]
}

test('a list in any language and writing is read right, or what is not sure is asked: never wrong and sure', async () => {
  let [lists, whole] = [0, 0]
  await fc.assert(
    fc.asyncProperty(anyList, async (list) => {
      lists += 1
      const reading = await readingOfList(list.files)
      // Not read at all is no wrong figure.
      if (!reading) return
      let isWhole = true
      for (const made of list.prices) {
        const wrong = wrongIn(reading, made)
        if (wrong?.length !== 0) isWhole = false
        for (const what of wrong ?? []) {
          const isAsked = reading.unsure.some((question) => ABOUT[what].includes(question))
          expect([what, made, isAsked, list.habits]).toEqual([what, made, true, list.habits])
        }
      }
      if (isWhole) whole += 1
    }),
    randomRuns(80),
  )
  // Most come in whole without an answer.
  expect(whole / lists).toBeGreaterThan(0.8)
})

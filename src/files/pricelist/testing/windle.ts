import { seeded, shapes, type InventedList, type TrueDisk, type TruePrice } from './inventedList.ts'
import { workbook, type SheetCells } from './workbook.ts'

const PLACES = ['Gdynia', 'Tampere', 'Linz']
const TERMS = ['no commitment', '1 year', '3 years'] as const
const SHARES = [1, 0.7, 0.5]

/** Windle, in euros a month: a spreadsheet with a sheet to read, one of sizes, one of prices with places over terms, and one of disks. */
export function windle(seed = 61): InventedList {
  const random = seeded(seed)
  const truth: TruePrice[] = []
  const disks: TrueDisk[] = []
  const sizes: SheetCells = [
    ['Windle sizes', null, null, null, null],
    ['Size', 'Series', 'Threads', 'Memory, GiB', 'Most disks'],
  ]
  const prices: SheetCells = [
    ['Prices in EUR per month, without tax'],
    ['Size', ...PLACES.flatMap((place) => [place, null, null])],
    [null, ...PLACES.flatMap(() => [...TERMS])],
  ]
  for (const { name, family, vcpu, memory } of shapes(
    [
      ['spool', 4],
      ['bobbin', 2],
      ['skein', 8],
    ],
    [2, 4, 8, 16],
  )) {
    sizes.push([name, family, vcpu, memory, vcpu * 2])
    prices.push([
      name,
      ...PLACES.flatMap((place) => {
        const month = (vcpu * 10.4 + memory * 2.6) * (0.9 + random() * 0.2)
        if (random() < 0.1) return [null, null, null]
        return TERMS.map((term, i) => {
          const price = Number((month * SHARES[i]!).toFixed(2))
          truth.push({
            size: name,
            vcpu,
            memoryGiB: memory,
            place,
            price: String(price),
            ...(i > 0 && { term }),
          })
          return price
        })
      }),
    ])
  }
  const storage: SheetCells = [['Storage', 'Place', 'EUR per GiB and month']]
  for (const disk of ['Ply', 'Twine']) {
    for (const place of PLACES) {
      const price = Number((0.05 + random() * 0.1).toFixed(4))
      disks.push({ disk, place, perGiBMonth: String(price) })
      storage.push([disk, place, price])
    }
  }
  const merges = ['A2:A3', ...PLACES.map((_, i) => `${'BEH'[i]!}2:${'DGJ'[i]!}2`)]
  const content = workbook([
    { name: 'Read me', cells: [['All prices are invented.'], ['They hold from 1 March 2027.']] },
    { name: 'Sizes', cells: sizes },
    { name: 'Prices', cells: prices, merges },
    { name: 'Disks', cells: storage },
  ])
  return { files: [{ name: 'windle.xlsx', content }], truth, disks }
}

import { seeded, shapes, type InventedList, type TruePrice } from './inventedList.ts'

/** Copperbeck, in euros a month: places as columns, decimal commas, memory in what it calls GB, a title above and a note below. */
export function copperbeck(seed = 43): InventedList {
  const random = seeded(seed)
  const places = ['Lyon', 'Turku', 'Gent', 'Porto']
  const truth: TruePrice[] = []
  const rows = [
    'Copperbeck, list of prices from 1 March;;;;;;',
    `Modell;vCPU;RAM (GB);${places.map((place) => `${place} €/Monat`).join(';')}`,
  ]
  const comma = (text: string): string => text.replace('.', ',')
  for (const { name, vcpu, memory } of shapes(
    [
      ['beck', 4],
      ['ghyll', 2],
    ],
    [1, 2, 4, 8, 16],
  )) {
    const cells = places.map((place) => {
      const month = ((vcpu * 11.4 + memory * 2.7) * (0.9 + random() * 0.3)).toFixed(2)
      if (random() < 0.1) return '–'
      truth.push({ size: name, vcpu, memoryGiB: memory, place, price: month })
      return Number(month) >= 1_000 ? `${month[0]!}.${comma(month.slice(1))}` : comma(month)
    })
    rows.push(`${name};${vcpu};${memory};${cells.join(';')}`)
  }
  rows.push(';;;;;;', 'All prices without tax;;;;;;')
  return { files: [{ name: 'copperbeck.csv', content: rows.join('\r\n') }], truth }
}

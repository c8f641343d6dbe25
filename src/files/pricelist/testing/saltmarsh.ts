import { seeded, shapes, type InventedList, type TruePrice } from './inventedList.ts'

const PLACES = [
  'Fallow Quay',
  'Skerry',
  'Thornholm',
  'Ayrwick',
  'Marram',
  'Tidesend',
  'Lowen',
  'Gullane Sands',
]
const SYSTEMS = [
  ['linux', 0],
  ['srv26', 0.03],
  ['corrie sub', 0.011],
] as const
const TERMS = [
  ['hourly', 1],
  ['1y', 0.64],
  ['3y', 0.43],
  ['1y pre', 0.61],
  ['spare', 0.31],
] as const

export interface SaltmarshSize {
  readonly sizes?: number
  readonly places?: number
  readonly systems?: number
  readonly terms?: number
  readonly seed?: number
}

/**
 * Saltmarsh, in dollars: a row for each size, place, system and plan. vCPU stand in the name alone, memory in a column of
 * GiB besides. Of any size: 600 × 20 × 3 × 5 is a large one.
 */
export function saltmarsh({
  sizes = 24,
  places = 6,
  systems = 2,
  terms = 3,
  seed = 41,
}: SaltmarshSize = {}): InventedList {
  const random = seeded(seed)
  const truth: TruePrice[] = []
  const rows = ['sku_label,site,os,plan,rate_std_hr,cur,mem gib']
  const counts = Array.from({ length: Math.ceil(sizes / 4) }, (_, i) => (i < 6 ? 2 ** i : i * 2 + 1))
  const all = shapes(
    [
      ['tern', 4],
      ['dunlin', 2],
      ['curlew', 8],
      ['snipe', 1],
    ],
    counts,
  )
  const names = Array.from({ length: places }, (_, i) => PLACES[i] ?? `Holm ${i + 1}`)
  for (const { name, vcpu, memory } of all) {
    for (const place of names) {
      const factor = 0.92 + random() * 0.2
      const hour = ((vcpu * 0.021 + memory * 0.0052) * factor).toFixed(4)
      // Not everything is sold everywhere.
      if (random() < 0.08) continue
      for (const [system, more] of SYSTEMS.slice(0, systems)) {
        for (const [plan, share] of TERMS.slice(0, terms)) {
          const isPlain = system === 'linux' && plan === 'hourly'
          const price = isPlain ? hour : ((Number(hour) + more * vcpu) * share).toFixed(4)
          rows.push(`${name},${place},${system},${plan},${price},USD,${memory}`)
          truth.push({
            size: name,
            vcpu,
            memoryGiB: memory,
            place,
            price,
            ...(system !== 'linux' && { system }),
            ...(plan !== 'hourly' && { term: plan }),
          })
        }
      }
    }
  }
  return { files: [{ name: 'saltmarsh.csv', content: `${rows.join('\n')}\n` }], truth }
}

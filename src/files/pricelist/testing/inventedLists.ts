/** Invented price lists with the truth that they were made of, the same for the same seed. */

export interface TruePrice {
  readonly size: string
  readonly vcpu: number
  readonly memoryGiB: number
  readonly place: string
  /** As a price book has it, for an hour or a month. */
  readonly price: string
}

export interface InventedList {
  readonly text: string
  readonly truth: readonly TruePrice[]
}

function seeded(seed: number): () => number {
  let state = seed
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647
}

interface Shape {
  readonly name: string
  readonly vcpu: number
  readonly memory: number
}

const shapes = (families: readonly (readonly [string, number])[], counts: readonly number[]): Shape[] =>
  families.flatMap(([family, ratio]) =>
    counts.map((vcpu) => ({ name: `${family} ${vcpu}-${vcpu * ratio}`, vcpu, memory: vcpu * ratio })),
  )

/**
 * Saltmarsh, in dollars: a row for each size, place, system and plan. vCPU and memory stand in the name alone, memory in
 * a column of GB besides.
 */
export function saltmarsh(places = 6, seed = 41): InventedList {
  const random = seeded(seed)
  const names = [
    'Fallow Quay',
    'Skerry',
    'Thornholm',
    'Ayrwick',
    'Marram',
    'Tidesend',
    'Lowen',
    'Gullane Sands',
  ]
  const truth: TruePrice[] = []
  const rows = ['sku_label,site,os,plan,rate_std_hr,cur,mem gib']
  for (const { name, vcpu, memory } of shapes(
    [
      ['tern', 4],
      ['dunlin', 2],
      ['curlew', 8],
      ['snipe', 1],
    ],
    [1, 2, 4, 8, 16, 32],
  )) {
    for (const place of names.slice(0, places)) {
      const factor = 0.92 + random() * 0.2
      const hour = ((vcpu * 0.021 + memory * 0.0052) * factor).toFixed(4)
      // Not everything is sold everywhere.
      if (random() < 0.08) continue
      truth.push({ size: name, vcpu, memoryGiB: memory, place, price: hour })
      for (const [system, more] of [
        ['linux', 0],
        ['srv26', 0.03 * vcpu],
      ] as const) {
        for (const [plan, share] of [
          ['hourly', 1],
          ['1y', 0.64],
          ['3y', 0.43],
        ] as const) {
          const price =
            system === 'linux' && plan === 'hourly' ? hour : ((Number(hour) + more) * share).toFixed(4)
          rows.push(`${name},${place},${system},${plan},${price},USD,${memory}`)
        }
      }
    }
  }
  return { text: `${rows.join('\n')}\n`, truth }
}

/** Copperbeck, in euros a month: places as columns, decimal commas, memory in GB, a title above and a note below. */
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
      const memoryGiB = Math.round((memory * 1e9 * 1_024) / 2 ** 30) / 1_024
      truth.push({ size: name, vcpu, memoryGiB, place, price: month })
      return Number(month) >= 1_000 ? `${month[0]!}.${comma(month.slice(1))}` : comma(month)
    })
    rows.push(`${name};${vcpu};${memory};${cells.join(';')}`)
  }
  rows.push(';;;;;;', 'All prices without tax;;;;;;')
  return { text: rows.join('\r\n'), truth }
}

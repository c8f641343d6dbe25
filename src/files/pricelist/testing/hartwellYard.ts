import { seeded, shapes, type InventedList, type TrueDisk, type TruePrice } from './inventedList.ts'

const YARDS = { ly: 'Leeds North', ko: 'Kobe', va: 'Valparaíso', tl: 'Tallinn' }
const TERMS = [
  ['open', 'Flex', 1],
  ['m12', '12 months', 0.66],
  ['m36', '36 months', 0.47],
] as const

/**
 * Hartwell Yard, in pounds: makes, what they carry and their rates are three maps joined by key, and so are the yards.
 * Rates have bands of quantity, of which the first is for one machine; stores and traffic stand beside them.
 */
export function hartwellYard(seed = 47): InventedList {
  const random = seeded(seed)
  const truth: TruePrice[] = []
  const disks: TrueDisk[] = []
  const makes: [string, unknown][] = []
  const carries: [string, unknown][] = []
  const rates: [string, unknown][] = []
  shapes(
    [
      ['moor', 4],
      ['fell', 2],
      ['tarn', 8],
    ],
    [1, 2, 4, 8, 16, 32],
  ).forEach(({ name, family, vcpu, memory }, i) => {
    const key = `hy${String(i + 101)}`
    makes.push([key, { label: name, line: family }])
    carries.push([
      key,
      { cores_virtual: vcpu, ram_mib: memory * 1_024, isa: i % 3 === 2 ? 'arm64' : 'x86-64' },
    ])
    const byTerm = TERMS.map(([term, called, share]) => {
      const byYard = Object.entries(YARDS).flatMap(([yard, place]) => {
        if (random() < 0.12) return []
        const each = ((vcpu * 0.0171 + memory * 0.0043) * share * (0.9 + random() * 0.2)).toFixed(16)
        truth.push({
          size: name,
          vcpu,
          memoryGiB: memory,
          place,
          price: each,
          ...(term !== 'open' && { term: called }),
        })
        const bands = [
          { from: 1, upto: 99, gbp_per_hour: each },
          { from: 100, upto: null, gbp_per_hour: (Number(each) * 0.93).toFixed(16) },
        ]
        return [[yard, bands] as const]
      })
      return [term, Object.fromEntries(byYard)] as const
    })
    rates.push([key, Object.fromEntries(byTerm)])
  })
  const stores = ['Loft', 'Cellar'].flatMap((disk, i) =>
    Object.entries(YARDS).map(([yard, place]) => {
      const perGiBMonth = (0.041 + i * 0.052 + random() * 0.01).toFixed(4)
      disks.push({ disk, place, perGiBMonth })
      return { disk_kind: disk, yard, gbp_per_gib_month: perGiBMonth }
    }),
  )
  const traffic = [{ upToGiB: 100, perGiB: '0' }, { upToGiB: 10_000, perGiB: '0.061' }, { perGiB: '0.044' }]
  const outflow = traffic.flatMap(({ upToGiB, perGiB }, i) =>
    Object.keys(YARDS).map((yard) => ({
      yard,
      traffic_from_gib: i === 0 ? 0 : traffic[i - 1]!.upToGiB!,
      traffic_upto_gib: upToGiB ?? null,
      price_gbp: perGiB,
    })),
  )
  const list = {
    issued: '2027-03-01',
    currency: 'GBP',
    yards: Object.fromEntries(Object.entries(YARDS).map(([key, town]) => [key, { town, open: true }])),
    tenures: Object.fromEntries(TERMS.map(([key, term]) => [key, { term, kind: 'tenure' }])),
    makes: Object.fromEntries(makes),
    carries: Object.fromEntries(carries),
    rates: Object.fromEntries(rates),
    stores,
    outflow,
  }
  return {
    files: [{ name: 'hartwell-yard.json', content: JSON.stringify(list, null, 1) }],
    truth,
    disks,
    traffic,
  }
}

import { seeded, shapes, type InventedList, type TrueDisk, type TruePrice } from './inventedList.ts'

const PLACES = ['Pune 1', 'Chennai 1', 'Kochi 2']

/** Osier, in rupees: sizes in one file, their prices by code in another, and a text with columns by blanks for disks, which writes places otherwise. */
export function osier(seed = 53): InventedList {
  const random = seeded(seed)
  const truth: TruePrice[] = []
  const disks: TrueDisk[] = []
  const sizes = ['code|machine|cores|mem_gib|network mbps']
  const prices = ['machine code\tplace\tterm\tINR per month']
  const lakhs = (text: string): string => {
    const [whole, part] = text.split('.') as [string, string]
    return `₹ ${whole.replace(/(\d)(?=(\d\d)+\d$)/g, '$1,')}.${part}`
  }
  shapes(
    [
      ['withy', 4],
      ['sallow', 2],
    ],
    [2, 4, 8, 16, 32],
  ).forEach(({ name, vcpu, memory }, i) => {
    const code = `OS-${String.fromCharCode(65 + i)}${i}`
    sizes.push(`${code}|${name}|${vcpu / 2}|${memory}|${vcpu * 500}`)
    for (const place of PLACES) {
      if (random() < 0.1) continue
      for (const [term, share] of [
        ['pay as used', 1],
        ['1 year', 0.7],
      ] as const) {
        const price = ((vcpu * 980 + memory * 210) * share * (0.9 + random() * 0.2)).toFixed(2)
        prices.push(`${code}\t${place}\t${term}\t${lakhs(price)}`)
        truth.push({
          size: name,
          vcpu,
          memoryGiB: memory,
          place,
          price,
          ...(term === '1 year' && { term }),
        })
      }
    }
  })
  const text = ['Storage            Where        INR per GiB-month']
  for (const disk of ['Wicker plain', 'Wicker quick']) {
    for (const place of PLACES) {
      const perGiBMonth = (4.2 + random() * 6).toFixed(3)
      disks.push({ disk, place, perGiBMonth })
      text.push(`${disk.padEnd(19)}${place.toUpperCase().replace(' ', '-').padEnd(13)}${perGiBMonth}`)
    }
  }
  const files = [
    ['osier-sizes.csv', sizes],
    ['osier-prices.csv', prices],
    ['osier-disks.txt', text],
  ] as const
  return { files: files.map(([name, lines]) => ({ name, content: `${lines.join('\n')}\n` })), truth, disks }
}

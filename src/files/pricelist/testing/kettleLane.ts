import { seeded, shapes, type InventedList, type TrueDisk, type TruePrice } from './inventedList.ts'

/** Kettle Lane, in Canadian dollars: a saved page with tables among others, merged headings, footnotes and "from". */
export function kettleLane(seed = 59): InventedList {
  const random = seeded(seed)
  const places = ['Halifax', 'Toronto']
  const systems = ['Linux', 'Harbour Server'] as const
  const truth: TruePrice[] = []
  const disks: TrueDisk[] = []
  const rows = shapes(
    [
      ['Kettle', 4],
      ['Cosy', 2],
    ],
    [1, 2, 4, 8],
  ).map(({ name, vcpu, memory }) => {
    const cells = places.flatMap((place) => {
      const base = ((vcpu * 0.0254 + memory * 0.0061) * (0.9 + random() * 0.2)).toFixed(4)
      const licensed = (Number(base) + vcpu * 0.037).toFixed(4)
      truth.push({ size: name, vcpu, memoryGiB: memory, place, price: base })
      truth.push({ size: name, vcpu, memoryGiB: memory, place, price: licensed, system: 'Harbour Server' })
      return [`from C$ ${base}<sup>1</sup>`, `C$&nbsp;${licensed}`]
    })
    return `<tr><th scope=row>${name}</th><td>${vcpu} vCPU, ${memory} GiB</td>${cells.map((cell) => `<td>${cell}</td>`).join('')}</tr>`
  })
  const storage = ['Hob', 'Hearth'].map((disk) => {
    const cells = places.map((place) => {
      const perGiBMonth = (0.06 + random() * 0.1).toFixed(3)
      disks.push({ disk, place, perGiBMonth })
      return `<td>C$ ${perGiBMonth}</td>`
    })
    return `<tr><td>${disk}</td>${cells.join('')}</tr>`
  })
  const page = `<!doctype html>
<html><head><title>Kettle Lane: what it costs</title><script>var table = '<table>'</script></head>
<body><table><tr><td><a href="#m">Machines</a></td></tr></table>
<h2 id="m">Machines, per hour</h2>
<table>
<thead><tr><th rowspan="2">Model</th><th rowspan="2">What it has</th>${places.map((place) => `<th colspan="2">${place}</th>`).join('')}</tr>
<tr>${places.map(() => systems.map((system) => `<th>${system}</th>`).join('')).join('')}</tr></thead>
<tbody>
${rows.join('\n')}
</tbody></table>
<p><sup>1</sup> Without tax.</p>
<h2>Storage, per GiB and month</h2>
<table><tr><th>Volume</th>${places.map((place) => `<th>${place}, per GiB-month</th>`).join('')}</tr>
${storage.join('\n')}
</table></body></html>
`
  return { files: [{ name: 'kettle-lane.html', content: page }], truth, disks }
}

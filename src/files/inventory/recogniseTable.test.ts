import { expect, test } from 'vitest'
import { proposedMapping } from './inventoryFields.ts'
import { decodeTable, parseTable, type Encoding } from './inventoryTable.ts'
import { recogniseTable } from './recogniseTable.ts'

const GERMAN =
  'Name;Standort;Größe;Kerne;Arbeitsspeicher (GB);Kostenstelle\r\nlicht;Köln;groß;4;16,5;Gleisbau\r\nschranke;Köln;klein;2;8;Gleisbau\r\n'
const ENGLISH = 'name,region,vcpu,memory,disk\nsignal,porto,2,8.5,"1,024"\nbarrier,porto,4,16,64\n'

function encoded(text: string, encoding: Encoding, mark = false): Uint8Array {
  const marked = mark ? `\uFEFF${text}` : text
  if (encoding === 'utf-8') return new TextEncoder().encode(marked)
  if (encoding === 'windows-1252') return Uint8Array.from(marked, (letter) => letter.charCodeAt(0))
  const bytes = new Uint8Array(marked.length * 2)
  const view = new DataView(bytes.buffer)
  for (let i = 0; i < marked.length; i += 1)
    view.setUint16(i * 2, marked.charCodeAt(i), encoding === 'utf-16le')
  return bytes
}

test.each<[Encoding, boolean]>([
  ['utf-8', false],
  ['utf-8', true],
  ['windows-1252', false],
  ['utf-16le', false],
  ['utf-16le', true],
  ['utf-16be', true],
  ['utf-16be', false],
])('a German table in %s (byte-order mark: %s) starts right', (encoding, mark) => {
  const bytes = encoded(GERMAN, encoding, mark)
  expect(recogniseTable(bytes)).toEqual({ encoding, separator: ';', decimal: ',', unit: 'GB' })
  const text = decodeTable(bytes, encoding)
  const table = text.ok ? parseTable(text.value, ';') : text
  if (!table.ok) throw new Error(table.issues[0].problem)
  expect(table.value.rows[0]).toEqual(['licht', 'Köln', 'groß', '4', '16,5', 'Gleisbau'])
  expect(proposedMapping(table.value.columns)).toEqual([
    'name',
    'region',
    'size',
    'vcpu',
    'memory',
    'cost-centre',
  ])
})

test.each([
  ['a point', ENGLISH, { separator: ',', decimal: '.', unit: 'GiB' }],
  ['tabs', 'name\tvcpu\tmemory\na\t2\t1,5\n', { separator: '\t', decimal: ',', unit: 'GiB' }],
  ['bars', 'name|vcpu|note\na|2|x; y, z\nb|4|p; q, r\n', { separator: '|', decimal: '.', unit: 'GiB' }],
  ['semicolons and no decimals', 'name;vcpu\na;2\n', { separator: ';', decimal: ',', unit: 'GiB' }],
  [
    'thousands, which say nothing',
    'name;disk\na;1.024\nb;0.5\n',
    { separator: ';', decimal: '.', unit: 'GiB' },
  ],
  ['units in cells', 'name,memory\na,16 GB\n', { separator: ',', decimal: '.', unit: 'GB' }],
  [
    'a line that names the separator',
    'sep=;\nname;vcpu,x\na;2\n',
    { separator: ';', decimal: ',', unit: 'GiB' },
  ],
  ['one column', 'name\na\n', { separator: ',', decimal: '.', unit: 'GiB' }],
  ['nothing', '', { separator: ',', decimal: '.', unit: 'GiB' }],
])('a table with %s', (_, text, expected) => {
  expect(recogniseTable(encoded(text, 'utf-8'))).toEqual({ encoding: 'utf-8', ...expected })
})

test('the line that names the separator is no row', () => {
  const table = parseTable('sep=;\nname;vcpu\na;2\n', ';')
  expect(table.ok && table.value).toEqual({ columns: ['name', 'vcpu'], rows: [['a', '2']] })
})

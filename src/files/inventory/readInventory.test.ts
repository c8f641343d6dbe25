import { describe, expect, test } from 'vitest'
import { finish } from '../../core/finish.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { Plan } from '../../core/machine/plan.ts'
import { OFFICE_WEEK } from '../../core/testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../../core/testing/smallBook.ts'
import { parsePlan } from '../plan/planFile.ts'
import { planToFile } from '../plan/planDocument.ts'
import { mappingProblem, proposedMapping } from './inventoryFields.ts'
import { parseNumber, parseRoom } from './inventoryNumber.ts'
import { decodeTable, parseTable } from './inventoryTable.ts'
import type { Inventory, InventoryInputs } from './inventory.ts'
import { nearestName } from './nearestName.ts'
import { readInventory } from './readInventory.ts'

const MARCH = '2027-03' as YearMonth
const PLAN: Plan = { name: 'p', month: MARCH, weeks: [OFFICE_WEEK], machines: [SMALL_MACHINE] }

function read(text: string, part: Partial<InventoryInputs> = {}): Inventory {
  const table = parseTable(text, ';')
  if (!table.ok) throw new Error(JSON.stringify(table.issues))
  return finish(
    readInventory({
      table: table.value,
      mapping: proposedMapping(table.value.columns),
      plan: PLAN,
      books: [SMALL_BOOK],
      month: MARCH,
      provider: 'mill',
      week: OFFICE_WEEK,
      confirmed: new Map(),
      meant: new Map(),
      decimal: ',',
      unit: 'GB',
      ...part,
    }),
  )
}
const problemsOf = ({ rows }: Inventory): string[] =>
  rows.flatMap(({ at, problems }) =>
    problems.map(({ column, problem }) => `${at}/${column ?? '-'} ${problem}`),
  )

describe('rows of a table', () => {
  test('become machines: names of the book by id or name, whatever their case', () => {
    const { rows } = read(
      'Name;Size;Region;Zone;Week;When off;Disk room;Data disk;Address;Cost centre\n' +
        'lab;MIDDLE;west;A;Week;Stopped;100;200;none;7\n' +
        'desk;small;;;;;;;;\n',
    )
    expect(rows.map(({ machine }) => machine)).toMatchObject([
      {
        name: 'lab',
        size: 'middle',
        region: 'west',
        zone: 'a',
        off: 'stopped',
        address: 'none',
        costCentre: '7',
        systemDisk: { kind: 'steps', roomGiB: 93.1328125 },
        dataDisks: [{ roomGiB: 186.2646484375 }],
        needs: { vcpu: 4, memoryGiB: 16 },
      },
      { name: 'desk', size: 'small', region: 'east', off: 'deallocated', dataDisks: [] },
    ])
  })

  test('with sizes that nobody sells are matched by vCPU and memory, for the person to confirm', () => {
    const text = 'name;size;vcpu;memory\na;old-4;4;14 GiB\nb;old-4;4;14 GiB\nc;;2;8 GiB\n'
    const { rows, sizes } = read(text)
    expect(
      sizes.map(({ text: asked, rows: count, candidates }) => [asked, count, candidates[0]!.id]),
    ).toEqual([
      ['old-4, 4 vCPU, 14 GiB', 2, 'rare'],
      ['2 vCPU, 8 GiB', 1, 'small'],
    ])
    expect(rows.map(({ machine }) => machine?.size)).toEqual(['rare', 'rare', 'small'])
    const confirmed = new Map([[sizes[0]!.key, 'huge']])
    expect(read(text, { confirmed }).rows.map(({ machine }) => machine?.size)).toEqual([
      'huge',
      'huge',
      'small',
    ])
  })

  test('words that name nothing are asked once for all their rows, with the nearest proposed', () => {
    const text =
      'name;size;region;address;off;image\n' +
      'a;small;Eaast;Fest;shutdown;FREE!\n' +
      'b;small;eaast;Reserved;Shut down;free!\n' +
      'c;small;Atlantis;nein;aus;FREE!\n'
    const { rows, values } = read(text)
    expect(
      values.map(({ field, text: word, proposed, rows: count }) => [field, word, proposed, count]),
    ).toEqual([
      ['region', 'Eaast', 'east', 2],
      ['image', 'FREE!', 'free', 3],
      ['address', 'Fest', 'fixed', 1],
      ['off', 'shutdown', 'stopped', 1],
      ['address', 'Reserved', 'fixed', 1],
      ['off', 'Shut down', 'stopped', 1],
      ['region', 'Atlantis', undefined, 1],
      ['address', 'nein', 'none', 1],
      ['off', 'aus', 'stopped', 1],
    ])
    expect(rows.map(({ machine }) => machine && [machine.region, machine.address, machine.off])).toEqual([
      ['east', 'fixed', 'stopped'],
      ['east', 'fixed', 'stopped'],
      undefined,
    ])
    const meant = new Map([
      [values.find(({ text: word }) => word === 'Atlantis')!.key, 'west'],
      [values[0]!.key, 'nowhere any more'],
    ])
    expect(read(text, { meant }).rows.map(({ machine }) => machine?.region)).toEqual(['east', 'east', 'west'])
  })

  test('say all that is wrong with them, each at its cell, and hold no other row back', () => {
    const inventory = read(
      'name;size;region;memory;vcpu;week\n' +
        ';small;;;;\n' +
        'bench-one;small;;;;\n' +
        'twice;small;;;;\ntwice;small;;;;\n' +
        'far;small;north;;;\n' +
        'odd;;;8.5.1;2;\n' +
        'nights;small;;;;nights\n' +
        'none;;;;;\n' +
        'good;small;;;;\n',
    )
    expect(problemsOf(inventory)).toEqual([
      '0/0 It has no name.',
      '1/0 There is a machine “bench-one” already, in the plan.',
      '3/0 There is a machine “twice” already, in line 4.',
      '4/2 There is no region “north”; there are East, West.',
      '5/3 “8.5.1” is no amount in GB, with a comma for decimals.',
      '6/5 There is no week plan “nights”; there are Week.',
      '7/- It says neither a size nor vCPU and memory.',
    ])
    expect(inventory.rows.filter(({ machine }) => machine).map(({ machine }) => machine!.name)).toEqual([
      'twice',
      'good',
    ])
  })

  test('what is not sold in their place is said', () => {
    expect(problemsOf(read('name;size;region\na;huge;west\n'))[0]).toMatch(
      /^0\/- The size “Huge”|^0\/- .*huge/i,
    )
  })

  test('hold nothing that a plan file would refuse', () => {
    const odd = 'on\u2028e\u200b'
    const table = {
      columns: ['name', 'size', 'purpose', 'cost centre', `te\u2029am`],
      rows: [['a', 'small', odd, odd, odd]],
    }
    const { rows } = read('name\nx\n', { table, mapping: ['name', 'size', 'purpose', 'cost-centre', 'tag'] })
    const { machine } = rows[0]!
    expect([machine!.purpose, machine!.costCentre, machine!.tags]).toEqual([
      'on e',
      'on e',
      { 'te am': 'on e' },
    ])
    expect(parsePlan(planToFile({ ...PLAN, machines: [machine!] })).ok).toBe(true)
  })

  test('columns that are tags keep their names', () => {
    const table = parseTable('name;size;System;Stage\na;small;rail;\n', ';')
    if (!table.ok) throw new Error('no table')
    const { rows } = read('name\nx\n', { table: table.value, mapping: ['name', 'size', 'tag', 'tag'] })
    expect(rows[0]!.machine!.tags).toEqual({ System: 'rail' })
  })
})

describe('a table', () => {
  test('cells that were guarded against spreadsheets come back as they were', () => {
    const table = parseTable("name;note\n'=1+1;'-x\n", ';')
    expect(table.ok && table.value.rows[0]).toEqual(['=1+1', '-x'])
  })

  test.each<[string, string, RegExp]>([
    ['no rows', 'name;size\n', /no rows/],
    ['nothing at all', '', /no rows/],
    ['an open quotation mark', 'name;size\n"a;small\n', /quotation mark/],
    ['too many columns', `${'a;'.repeat(120)}\n${'1;'.repeat(120)}\n`, /121 columns/],
    ['a hundred thousand rows', `name\n${'a\n'.repeat(100_000)}`, /more than 5000 rows/],
  ])('with %s is refused', (_, text, problem) => {
    const table = parseTable(text, ';')
    expect(table.ok).toBe(false)
    if (!table.ok) expect(table.issues[0].problem).toMatch(problem)
  })

  test('text of another encoding is said, and read in the right one', () => {
    const bytes = new Uint8Array([0x63, 0x61, 0x66, 0xe9])
    expect(decodeTable(bytes, 'utf-8').ok).toBe(false)
    expect(decodeTable(bytes, 'windows-1252')).toEqual({ ok: true, value: 'café' })
    const wide = new Uint8Array([0xff, 0xfe, 0x61, 0, 0x62, 0])
    expect(decodeTable(wide, 'utf-8').ok).toBe(false)
    expect(decodeTable(wide, 'utf-16le')).toEqual({ ok: true, value: 'ab' })
    expect(decodeTable(new Uint8Array([0x61, 0, 0x62, 0]), 'utf-8').ok).toBe(false)
  })
})

describe('what columns hold', () => {
  test('is proposed where they say it plainly, each once', () => {
    expect(proposedMapping(['VM name', 'RAM (GiB)', 'vCPUs', 'Name', 'Colour'])).toEqual([
      'name',
      'memory',
      'vcpu',
      undefined,
      undefined,
    ])
  })

  test.each<[Parameters<typeof mappingProblem>[0], RegExp | undefined]>([
    [['size'], /names/],
    [['name', 'vcpu'], /sizes/],
    [['name', 'size', 'size'], /same: size/],
    [['name', 'vcpu', 'memory', 'tag', 'tag'], undefined],
  ])('%j', (mapping, problem) => {
    if (problem) expect(mappingProblem(mapping)).toMatch(problem)
    else expect(mappingProblem(mapping)).toBeUndefined()
  })
})

describe('numbers', () => {
  test.each<[string, '.' | ',', number | undefined]>([
    ['1.5', '.', 1.5],
    ['1,5', ',', 1.5],
    ['1,500', '.', 1_500],
    ['1.500', ',', 1_500],
    ['1 500,25', ',', 1_500.25],
    ["1'500", '.', 1_500],
    // In the only way in which they can be read.
    ['1,5', '.', 1.5],
    ['15,00', '.', 15],
    ['0,500', '.', 0.5],
    ['8 cores', '.', 8],
    ['4-8', '.', undefined],
    ['a 4', '.', undefined],
    ['-1', '.', undefined],
    ['1e3', '.', undefined],
    ['', '.', undefined],
  ])('%s with %s', (text, decimal, value) => {
    expect(parseNumber(text, decimal)).toBe(value)
  })

  test.each<[string, 'GiB' | 'GB', number | undefined]>([
    ['128', 'GiB', 128],
    ['128', 'GB', 119.2099609375],
    ['128 GiB', 'GB', 128],
    ['2TiB', 'GB', 2_048],
    ['1 TB', 'GB', 931.3232421875],
    // Whoever says that the table counts in GiB says so of its TB too.
    ['1 TB', 'GiB', 1_024],
    ['16 GB RAM', 'GiB', 16],
    ['512 MiB', 'GiB', 0.5],
    ['0', 'GiB', undefined],
    ['x GiB', 'GiB', undefined],
  ])('%s in a table of %s', (text, unit, value) => {
    expect(parseRoom(text, { decimal: '.', unit })).toBe(value)
  })

  test('memory in GB is GiB; a figure alone is in the unit of its heading', () => {
    const form = { decimal: '.', unit: 'GB' } as const
    expect([
      parseRoom('16 GB', form, { isMemory: true }),
      parseRoom('16384', form, { heading: 'RAM (MB)', isMemory: true }),
      parseRoom('512', form, { heading: 'Disk GiB' }),
      parseRoom('512 GB', form, { heading: 'Disk GiB' }),
    ]).toEqual([16, 16, 512, 476.837890625])
  })

  test('headings that say more are understood, and those of other parts are left', () => {
    const columns = [
      'VM',
      'CPU cores',
      'RAM [MiB]',
      'GPU memory',
      'Site',
      'Department',
      'Disk (GB)',
      'Avg CPU load',
    ]
    expect(proposedMapping(columns)).toEqual([
      'name',
      'vcpu',
      'memory',
      undefined,
      'region',
      'cost-centre',
      'disk-room',
      undefined,
    ])
  })

  test('titles may stand above the headings', () => {
    const table = parseTable('Machines of the depot;;\n;;\nName;vCPU;Memory\nweb;2;8\n', ';')
    expect(table).toMatchObject({ value: { columns: ['Name', 'vCPU', 'Memory'], rows: [['web', '2', '8']] } })
  })
})

test.each<[string, string | undefined]>([
  ['fellside-12', 'fellside-12'],
  ['FELLSIDE Linux 12', 'fellside-12'],
  ['Linux', 'fellside-12'],
  ['Fellside', 'fellside-12'],
  ['Felside Linux 11', 'fellside-11'],
  ['Harbour Desktop 9, licensed', 'harbour-9'],
  ['Schreibtisch', 'harbour-9'],
  ['Windmill', undefined],
  ['', undefined],
])('the word %s is nearest to %s', (text, id) => {
  const images = [
    { id: 'fellside-11', name: 'Fellside Linux 11' },
    { id: 'fellside-12', name: 'Fellside Linux 12' },
    { id: 'harbour-9', name: 'Harbour Desktop 9', also: ['Schreibtisch'] },
  ]
  expect(nearestName(text, images)).toBe(id)
  expect(nearestName(text, [])).toBeUndefined()
})

import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { DEMO_TEXT, demo, issuesOf, type PlanDraft } from '../testing/demoPlan.ts'
import { describe, expect, test } from 'vitest'
import { checkPlan } from './checkPlan.ts'
import { readPlan, writePlan } from './planFile.ts'
import { readPriceBook } from '../priceBook/priceBookFile.ts'
import { randomRuns } from '../../core/testing/randomRuns.ts'

describe('a plan file', () => {
  test('is written as it was read, byte for byte', () => {
    const read = readPlan(DEMO_TEXT)
    expect(read.ok && writePlan(read.value)).toBe(DEMO_TEXT)
  })

  test('keeps windows over midnight', () => {
    const read = readPlan(DEMO_TEXT)
    const soak = read.ok && read.value.weeks.find(({ id }) => id === 'night-soak')
    expect(soak && soak.windows[0]).toEqual({ day: 0, from: 1320, to: 1740 })
  })
})

describe('a plan that is refused says where and what would do', () => {
  test.each<[string, (draft: PlanDraft) => void, string, string, RegExp]>([
    ['a month outside 2000 to 2100', (d) => (d.month = '2101-01'), 'bad-value', '/month', /2000 to 2100/],
    [
      'an unknown time zone',
      (d) => (d.weeks[0]!.timeZone = 'Europe/Atlantis'),
      'bad-value',
      '/weeks/0/timeZone',
      /IANA/,
    ],
    [
      'a window that ends before it starts',
      (d) => (d.weeks[0]!.windows.mon = [{ from: '18:00', to: '08:00' }]),
      'bad-value',
      '/weeks/0/windows/mon/0',
      /"to": "08:00\+1"/,
    ],
    [
      'a window longer than a day',
      (d) => (d.weeks[0]!.windows.mon = [{ from: '08:00', to: '08:01+1' }]),
      'bad-value',
      '/weeks/0/windows/mon/0',
      /at most 24 hours/,
    ],
    [
      'a time that is none',
      (d) => (d.weeks[0]!.windows.mon = [{ from: '8 o’clock', to: '24:30' }]),
      'bad-value',
      '/weeks/0/windows/mon/0',
      /"08:00"/,
    ],
    [
      'a date that is none',
      (d) => (d.weeks[0]!.datesOff = ['2027-02-30']),
      'bad-value',
      '/weeks/0/datesOff/0',
      /2027-03-19/,
    ],
    [
      'two machines of one name',
      (d) => (d.machines[1]!.name = d.machines[0]!.name),
      'duplicate',
      '/machines/1',
      /each name once/,
    ],
    [
      'a negative number',
      (d) => (d.machines[0]!.systemDisk = { kind: 'ember', roomGiB: -1 }),
      'bad-value',
      '/machines/0/systemDisk/roomGiB',
      /greater than 0/,
    ],
    [
      'text where a number belongs',
      (d) => (d.machines[0]!.needs = { vcpu: '2', memoryGiB: 8, iops: 0 }),
      'bad-value',
      '/machines/0/needs/vcpu',
      /number/,
    ],
    [
      'a field that the format does not have',
      (d) => (d.machines[0]!.colour = 'red'),
      'bad-value',
      '/machines/0/colour',
      /no other fields/,
    ],
    ['a missing field', (d) => delete d.machines[0]!.size, 'bad-value', '/machines/0/size', /a value here/],
    [
      'a week that nobody wrote',
      (d) => (d.machines[0]!.week = 'someday'),
      'unknown-reference',
      '/machines/0/week',
      /depot-day/,
    ],
    ['a name with a line break', (d) => (d.name = 'one\ntwo'), 'bad-value', '/name', /control characters/],
  ])('%s', (_, breakIt, code, pointer, expected) => {
    const issues = issuesOf(breakIt)
    expect(issues).toHaveLength(1)
    expect(issues[0]).toMatchObject({ code, pointer })
    expect(issues[0]!.expected).toMatch(expected)
  })

  test('every problem is listed, not only the first', () => {
    const issues = issuesOf((draft) => {
      draft.month = 'soon'
      draft.machines.forEach((machine) => (machine.off = 'asleep'))
    })
    expect(issues.map(({ pointer }) => pointer)).toEqual([
      '/month',
      ...demo().machines.map((_, i) => `/machines/${i}/off`),
    ])
  })

  test.each<[string, string, string, string]>([
    ['1e999', '/machines/0/systemDisk/roomGiB', 'Found Infinity.', 'a finite number.'],
    ['-4', '/machines/0/systemDisk/roomGiB', 'Found -4.', 'greater than 0.'],
    ['0.3', '/machines/0/systemDisk/roomGiB', 'Found 0.3.', 'GiB in whole MiB (steps of 1/1024).'],
    ['"64"', '/machines/0/systemDisk/roomGiB', 'Found "64".', 'a number.'],
    ['null', '/machines/0/systemDisk/roomGiB', 'Found null.', 'a number.'],
  ])('a room of %s', (room, pointer, problem, expected) => {
    const read = readPlan(DEMO_TEXT.replace('"roomGiB": 64', `"roomGiB": ${room}`))
    expect(!read.ok && read.issues).toMatchObject([{ pointer, problem, expected }])
  })

  test.each<[string, (draft: PlanDraft) => void, string, string]>([
    ['an empty name', (d) => (d.name = ''), 'Found "".', 'some text.'],
    [
      'a long name',
      (d) => (d.name = 'x'.repeat(121)),
      `Found "${'x'.repeat(44)}….`,
      'at most 120 characters.',
    ],
    ['a number for a name', (d) => (d.name = 7), 'Found 7.', 'text in quotes.'],
    ['a list for a disk', (d) => (d.machines[0]!.systemDisk = []), 'Found [].', 'an object in braces.'],
    [
      'a state that is none',
      (d) => (d.machines[0]!.off = 'asleep'),
      'Found "asleep".',
      'one of [running, stopped, deallocated, hibernated, deleted].',
    ],
  ])('%s', (_, breakIt, problem, expected) => {
    const draft = demo() as unknown as PlanDraft
    breakIt(draft)
    const read = readPlan(JSON.stringify(draft))
    expect(!read.ok && read.issues[0]).toMatchObject({ problem, expected })
  })

  test('ten thousand machines are too many, and are said to be in bounded time', () => {
    const issues = issuesOf((draft) => {
      const [first] = draft.machines
      draft.machines = Array.from({ length: 10_000 }, (_, i) => ({ ...first, name: `machine-${i}` }))
    })
    expect(issues[0]).toMatchObject({ pointer: '/machines' })
    expect(issues[0]!.expected).toBe('at most 5,000.')
  })

  test('text with markup is text', () => {
    const draft = demo()
    const name = '<img src=x onerror=alert(1)> & "quotes"'
    const read = readPlan(JSON.stringify({ ...draft, name }))
    expect(read.ok && read.value.name).toBe(name)
  })
})

describe('files that are no plan at all', () => {
  test.each([
    ['not JSON', 'hello', 'not-json', /not JSON/],
    ['cut off', DEMO_TEXT.slice(0, 900), 'cut-off', /ends in the middle/],
    ['another kind', '{"format":"notchgauge/price-book/1"}', 'other-kind', /another kind/],
    ['no format', '[1,2,3]', 'other-kind', /does not say/],
    ['a newer version', '{"format":"notchgauge/plan/2"}', 'newer-version', /newer Notchgauge \(version 2\)/],
    ['nothing', '', 'not-json', /not JSON/],
  ])('%s', (_, text, code, problem) => {
    const read = readPlan(text)
    expect(read).toMatchObject({ ok: false, issues: [{ code }] })
    expect(!read.ok && read.issues[0].problem).toMatch(problem)
  })

  test('60 MB are refused unread', () => {
    expect(readPlan(' '.repeat(60_000_000))).toMatchObject({ ok: false, issues: [{ code: 'too-large' }] })
  })

  test('says the line of the mistake', () => {
    const read = readPlan('{\n  "format": "notchgauge/plan/1",\n  oops\n}')
    expect(!read.ok && read.issues[0].problem).toContain('line 3')
  })

  test('no text makes it throw', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.json(),
          fc.integer({ min: 0, max: DEMO_TEXT.length }).map((end) => DEMO_TEXT.slice(0, end)),
        ),
        (text) => {
          expect(readPlan(text)).toHaveProperty('ok')
        },
      ),
      randomRuns(200),
    )
  })
})

test('names that the price book does not hold are found where they stand', () => {
  const book = readPriceBook(readFileSync('data/fennmark.json', 'utf8'))
  const draft = demo()
  const [first, second, third, fourth] = draft.machines
  const machines = [
    { ...first!, size: 'heron-3-3' },
    { ...second!, zone: 'z' },
    { ...third!, provider: 'fennmark', size: 'heron-2-8', image: 'fellside-12', terms: 'spot' },
    { ...fourth!, provider: 'nobody', size: 'x' },
  ]
  const read = readPlan(JSON.stringify({ ...draft, machines }))
  const issues = read.ok && book.ok ? checkPlan(read.value, [book.value]) : []
  expect(issues.map(({ code, pointer }) => `${code} ${pointer}`)).toEqual([
    'unknown-reference /machines/0/size',
    'unknown-reference /machines/1/zone',
    'unknown-reference /machines/2/terms',
    'unknown-reference /machines/2/systemDisk/kind',
    'unknown-reference /machines/3/provider',
  ])
  expect(issues[4]!.expected).toContain('fennmark')
})

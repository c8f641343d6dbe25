import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { parseDate } from '../core/calendar/civil.ts'
import { finish } from '../core/finish.ts'
import type { PriceBook } from '../core/catalogue/priceBook.ts'
import type { Plan } from '../core/machine/plan.ts'
import { summarisePlan } from '../core/meter/summarisePlan.ts'
import { instant } from '../core/quantity/units.ts'
import { RANDOM_SEED, randomCount } from '../core/testing/randomRuns.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../core/testing/smallBook.ts'
import { OFFICE_WEEK } from '../core/testing/resolved.ts'
import { estimateAnswer } from '../server/estimateAnswer.ts'
import { readCalendar } from './calendar/readCalendar.ts'
import { proposedMapping } from './inventory/inventoryFields.ts'
import { decodeTable, parseTable } from './inventory/inventoryTable.ts'
import { readInventory } from './inventory/readInventory.ts'
import { recogniseTable } from './inventory/recogniseTable.ts'
import { readPlan, writePlan } from './plan/planFile.ts'
import { planToFile } from './plan/planDocument.ts'
import { readPriceBook, writePriceBook } from './priceBook/priceBookFile.ts'
import { readAnyFile } from './readAnyFile.ts'
import { mutatedJson, mutatedText, seeded } from './testing/mutate.ts'
import { exportSchedule } from './timers/exportSchedule.ts'
import { readSchedule } from './timers/readSchedule.ts'

/** `npm run fuzz` asks for many more, and also how long each takes. */
const COUNT = Number(process.env.MUTATIONS ?? randomCount(600))
/** How much longer than an unbroken file of its kind a broken one may take, in the same run. */
const MOST_TIMES_LONGER = 500

const demo = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
if (!demo.ok) throw new Error('the demo is not valid')
const plan: Plan = { ...demo.value, machines: [{ ...SMALL_MACHINE, week: OFFICE_WEEK.id }], weeks: [OFFICE_WEEK, ...demo.value.weeks] } // prettier-ignore
const month = plan.month

const exported = (format: 'calendar' | 'feed'): string =>
  exportSchedule({
    format,
    safetyNet: true,
    week: demo.value.weeks[0]!,
    machines: demo.value.machines.slice(0, 2),
    from: parseDate('2027-03-01')!,
    to: parseDate('2027-05-31')!,
    commands: {},
    scriptPath: '/opt/week.sh',
    base: 'week',
    made: instant(1_800_000_000),
  }).files[0]!.text

const HOLIDAYS = [
  'BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Tests//EN', 'BEGIN:VTIMEZONE', 'TZID:Depot', 'BEGIN:STANDARD', 'DTSTART:19700101T000000', 'TZOFFSETFROM:+0530', 'TZOFFSETTO:+0530', 'END:STANDARD', 'END:VTIMEZONE',
  'BEGIN:VEVENT', 'UID:1', 'SUMMARY:Stocktaking', 'DTSTART;TZID=Depot:20270320T010000', 'DURATION:PT1H', 'RRULE:FREQ=YEARLY;BYMONTH=3;BYDAY=2SU', 'EXDATE;TZID=Depot:20280312T010000', 'END:VEVENT',
  'BEGIN:VEVENT', 'UID:2', 'SUMMARY:Closed', 'DTSTART;VALUE=DATE:20270802', 'DTEND;VALUE=DATE:20270814', 'RDATE;VALUE=DATE:20271224', 'END:VEVENT', 'END:VCALENDAR', '',
].join('\r\n') // prettier-ignore

const TABLE =
  'name;region;size;vcpu;memory;disk;address;week;off;tag\nlamp;East;middle;4;16;64;none;;stopped;a\nbell;West;;2;4,5 GB;32;fixed;;;b\n'

const priced = (of: Plan, books: readonly PriceBook[]): void =>
  void summarisePlan({ plan: of, books, month, reading: 'calendar' })

/** Reads a text as one kind of file, and goes on with what is accepted as the program does. */
const READERS: readonly (readonly [string, string, (text: string) => void])[] = [
  [
    'plan',
    JSON.stringify(planToFile(plan)),
    (text) => {
      const read = readAnyFile(text, [SMALL_BOOK])
      if (!read.ok || read.value.kind !== 'plan') return
      priced(read.value.plan, [SMALL_BOOK])
      const again = readPlan(writePlan(read.value.plan))
      expect(again.ok && writePlan(again.value)).toBe(writePlan(read.value.plan))
    },
  ],
  [
    'price book',
    writePriceBook(SMALL_BOOK),
    (text) => {
      const read = readPriceBook(text)
      if (!read.ok) return
      priced(plan, [read.value])
      expect(readPriceBook(writePriceBook(read.value)).ok).toBe(true)
    },
  ],
  ['schedule feed', exported('feed'), (text) => void readSchedule(text)],
  ['calendar', exported('calendar'), (text) => void readSchedule(text)],
  [
    'holidays',
    HOLIDAYS,
    (text) =>
      void readCalendar(text, 'Europe/Lisbon', {
        from: parseDate('2027-01-01')!,
        to: parseDate('2029-12-31')!,
      }),
  ],
  [
    'table',
    TABLE,
    (text) => {
      const bytes = new TextEncoder().encode(text)
      const habits = recogniseTable(bytes)
      const decoded = decodeTable(bytes, habits.encoding)
      const table = decoded.ok ? parseTable(decoded.value, habits.separator) : decoded
      if (!table.ok) return
      const mapping = proposedMapping(table.value.columns)
      if (!mapping.includes('name')) return
      finish(readInventory({ ...habits, table: table.value, mapping, plan, books: [SMALL_BOOK], month, provider: 'mill', week: OFFICE_WEEK, confirmed: new Map(), meant: new Map() })) // prettier-ignore
    },
  ],
  [
    'request',
    JSON.stringify({ plan: planToFile(plan), books: [SMALL_BOOK] }),
    (text) => {
      const { status, body } = estimateAnswer(text)
      expect([200, 400, 422]).toContain(status)
      expect(JSON.stringify(body).length).toBeGreaterThan(2)
    },
  ],
]

const medianMs = (act: () => void): number => {
  const times = Array.from({ length: 21 }, () => {
    const began = performance.now()
    act()
    return performance.now() - began
  })
  return times.sort((a, b) => a - b)[10]!
}

test(`${COUNT} broken files of all kinds are answered`, () => {
  const random = seeded(RANDOM_SEED)
  const honestMs = READERS.map(([, text, read]) => medianMs(() => read(text)))
  let slowest = { times: 0, what: '' }
  for (let i = 0; i < COUNT; i += 1) {
    const [kind, text, read] = READERS[i % READERS.length]!
    const isJson = text.startsWith('{') && random() < 0.7
    let broken = isJson ? JSON.stringify(mutatedJson(JSON.parse(text), random)) : mutatedText(text, random)
    for (let more = random(); more < 0.3; more = random()) broken = mutatedText(broken, random)
    const began = performance.now()
    try {
      read(broken)
    } catch (error) {
      throw new Error(`${kind} ${i}: ${String(error)}\n${broken.slice(0, 20_000)}`, { cause: error })
    }
    const times = (performance.now() - began) / honestMs[i % READERS.length]!
    if (times > slowest.times) slowest = { times, what: `${kind} ${i}` }
  }
  if (process.env.MUTATIONS === undefined) return
  const heap = process.memoryUsage().heapUsed
  console.log(
    `${COUNT} files, the slowest ${slowest.what} in ${Math.round(slowest.times)} times what an unbroken one takes, heap ${Math.round(heap / 1e6)} MB`,
  )
  expect(slowest.times).toBeLessThan(MOST_TIMES_LONGER)
}, 0)

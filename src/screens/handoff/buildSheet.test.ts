import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { PlanPricing } from '../../core/meter/planPricing.ts'
import { gib } from '../../core/quantity/units.ts'
import { anyMachineOf, anyWeek } from '../../core/testing/anyMachines.ts'
import { DEMO_BOOKS } from '../../core/testing/demoBooks.ts'
import { SMALL_BOOK } from '../../core/testing/smallBook.ts'
import { pricedTogether } from '../../core/testing/smallPlan.ts'
import type { Sheet } from '../../files/handoff/sheet.ts'
import { buildSheet } from './buildSheet.ts'
import { randomRuns } from '../../core/testing/randomRuns.ts'

const MARCH = '2027-03' as YearMonth
const sheetOf = (part: Partial<Machine>): Sheet =>
  buildSheet(pricedTogether([part], SMALL_BOOK)[0]!, MARCH, 'host-0')
const answers = (sheet: Sheet): string[] =>
  sheet.sections.flatMap(({ lines }) => lines.map(({ ask, answer }) => `${ask}: ${answer}`))
const units = (text: string | undefined, decimals: number): number =>
  text === undefined ? 0 : Math.round(Number(text.replaceAll(',', '')) * 10 ** decimals)

describe('a build sheet', () => {
  test('asks in the order in which a machine is created', () => {
    const sheet = sheetOf({ address: 'fixed', tags: { system: 'rail' }, costCentre: '7' })
    expect(sheet.sections.map(({ title }) => title)).toEqual([
      'Where and what',
      'Sign-in',
      'Disks',
      'Network',
      'On and off',
      'Tags',
    ])
    expect(answers(sheet)).toEqual(
      expect.arrayContaining([
        'Region: East, PT',
        'Size: middle: 4 vCPU, 16 GiB, x86-64',
        'System disk: Steps, 128 GiB, stays when the machine is deleted',
        'Public address: a fixed one',
        'When off: Deallocated',
        'system: rail',
        'Cost centre: 7',
      ]),
    )
  })

  test('says which fault domain it goes to, and what it must not share', () => {
    const book = {
      ...SMALL_BOOK,
      regions: SMALL_BOOK.regions.map((region) => ({ ...region, faultDomains: ['one', 'two'] })),
    }
    const [first] = pricedTogether([{}], book)
    const { machine } = first!.resolved
    const inGroup = { ...machine, needs: { ...machine.needs, apart: { group: 'web', sharesNothing: true } } }
    const machines = [{ ...inGroup, name: 'other' }, inGroup]
    const plan = { machines, weeks: [first!.resolved.week] }
    const apartGroups = [{ name: 'web', mostInZone: 3, mostInFaultDomain: 2 }]
    const pricing = new PlanPricing({
      plan: { ...plan, apartGroups },
      books: [book],
      month: MARCH,
      reading: 'calendar',
    })
    const priced = pricing.of(inGroup)
    if (!priced.ok) throw new Error('it has no price')
    expect(answers(buildSheet(priced, MARCH, 'host-0')).slice(2, 6)).toEqual([
      'Zone: a',
      'Fault domain: two',
      'Kept apart: “web”: at most 3 in a zone, 2 in a fault domain; this one in a region of its own',
      'Kept apart from: other (east, zone a)',
    ])
  })

  test('has its prices by hour and month beside, and in all', () => {
    const sheet = sheetOf({})
    const size = sheet.sections[0]!.lines.find(({ ask }) => ask === 'Size')!
    // 230 h and 23 times 30 s to go off, at 0.2067.
    expect([size.perHour, size.perMonth]).toEqual(['0.2067', '47.58'])
    expect(sheet.total).toEqual({ perHour: '0.2200', perMonth: '57.44' })
  })

  test('says what is opened, added on top and kept', () => {
    const lines = answers(
      sheetOf({
        systemDisk: { kind: 'steps', roomGiB: gib(128), goes: true },
        access: {
          administrator: 'ana',
          signIn: 'key',
          inbound: [
            { protocol: 'tcp', ports: { first: 443, last: 443 }, from: 'anyone' },
            { protocol: 'icmp', from: ['198.51.100.0/24'] },
          ],
        },
      }),
    )
    expect(lines).toEqual(
      expect.arrayContaining([
        'Administrator: ana',
        'May come in: tcp 443 from anyone',
        'May come in: icmp from 198.51.100.0/24',
        'System disk: Steps, 128 GiB, deleted with the machine',
      ]),
    )
  })

  test('ticks off what a stop costs, and what is left when it is deleted', () => {
    const items = (part: Partial<Machine>, title: string): string =>
      sheetOf(part)
        .checklists.find((list) => list.title === title)!
        .items.join('\n')
    expect(items({ off: 'stopped' }, 'Checking')).toContain('is it stopped, at € 0.2200 an hour?')
    expect(items({ off: 'running' }, 'Checking')).not.toContain('Switch it off once')
    expect(items({}, 'Cleaning up')).toMatch(
      /Delete the disks that stay: left there, that would cost € 9\.8\d a month/,
    )
    const goes = { systemDisk: { kind: 'steps', roomGiB: gib(128), goes: true } }
    expect(items(goes, 'Cleaning up')).toContain('Look that no disk, address or snapshot is left')
  })

  test('has lines that add up to its totals, on random machines of all books', () => {
    const anyOfBooks = fc.constantFrom(...DEMO_BOOKS).chain((book) =>
      fc.record({
        book: fc.constant(book),
        machine: anyMachineOf(book, ['a']),
        weeks: fc.tuple(anyWeek('a')),
      }),
    )
    fc.assert(
      fc.property(anyOfBooks, ({ book, machine, weeks }) => {
        const plan = { machines: [machine], weeks }
        const priced = new PlanPricing({ plan, books: [book], month: MARCH, reading: 'calendar' }).of(machine)
        fc.pre(priced.ok)
        if (!priced.ok) return
        const { sections, total } = buildSheet(priced, MARCH, 'host')
        const lines = sections.flatMap((section) => section.lines)
        const sum = (field: 'perHour' | 'perMonth', decimals: number): number =>
          lines.reduce((all, line) => all + units(line[field], decimals), 0)
        expect(sum('perMonth', 2)).toBe(units(total.perMonth, 2))
        expect(sum('perHour', 4)).toBe(units(total.perHour, 4))
      }),
      randomRuns(60),
    )
  })
})

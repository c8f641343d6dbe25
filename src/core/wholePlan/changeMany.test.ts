import { describe, expect, test } from 'vitest'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { ApartGroup } from '../machine/apartGroup.ts'
import type { Machine } from '../machine/plan.ts'
import { gib } from '../quantity/units.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { changeMany, copyNames, type ManyChange } from './changeMany.ts'

const never = { ...OFFICE_WEEK, id: 'never', windows: [] }
const other = { ...SMALL_BOOK, provider: { id: 'weir', name: 'Weir' } }
const run = (
  parts: readonly Partial<Machine>[],
  change: ManyChange,
  names?: readonly string[],
  apartGroups?: readonly ApartGroup[],
) => {
  const machines = parts.map((part, i) => ({ ...SMALL_MACHINE, name: `m${i}`, ...part }))
  const plan = { machines, weeks: [OFFICE_WEEK, never], ...(apartGroups && { apartGroups }) }
  const inputs = {
    plan,
    books: [SMALL_BOOK, other],
    month: '2027-03' as YearMonth,
    reading: 'calendar' as const,
  }
  const all = new Set(names ?? machines.map(({ name }) => name))
  return { before: machines, ...changeMany(inputs, all, change) }
}

describe('a change of many machines', () => {
  test('is of those that are named, and no others', () => {
    const { before, machines, changed } = run([{}, {}, {}], { kind: 'week', week: 'never' }, ['m0', 'm2'])
    expect(machines.map(({ week }) => week)).toEqual(['never', OFFICE_WEEK.id, 'never'])
    expect(machines[1]).toBe(before[1])
    expect(changed).toEqual(['m0', 'm2'])
  })

  test('changes nothing where it is so already', () => {
    const { before, machines, changed } = run([{ off: 'stopped' }], { kind: 'off', off: { off: 'stopped' } })
    expect(machines[0]).toBe(before[0])
    expect(changed).toEqual([])
  })

  test('lets go of what they have now, and takes that back', () => {
    const needs = { ...SMALL_MACHINE.needs, disks: 'any', architecture: 'arm64' } as const
    const easing = { kind: 'as-now', needs: ['disk-rooms', 'architecture'], mayGo: true } as const
    const eased = run([{}, { needs }, { needs: { ...needs, architecture: 'any' } }], easing)
    expect(eased.changed).toEqual(['m0', 'm1'])
    for (const machine of eased.machines)
      expect(machine.needs).toMatchObject({ disks: 'any', architecture: 'any' })
    const kept = run([{}, { needs }], { ...easing, mayGo: false })
    expect(kept.changed).toEqual(['m1'])
    // What was needed by name stays needed.
    expect(kept.machines[1]!.needs).toEqual({ ...SMALL_MACHINE.needs, architecture: 'arm64' })
  })

  test('of one group each moves to a zone that the others leave free, and the last stays', () => {
    const inGroup = { needs: { ...SMALL_MACHINE.needs, apart: { group: 'web' } } }
    const { machines, changed, left } = run(
      [
        { ...inGroup, region: 'west' },
        { ...inGroup, region: 'west' },
        { ...inGroup, region: 'west' },
      ],
      { kind: 'region', provider: 'mill', region: 'east' },
      undefined,
      [{ name: 'web', mostInZone: 1 }],
    )
    expect(machines.map(({ region, zone }) => `${region} ${zone}`)).toEqual(['east a', 'east b', 'west a'])
    expect(changed).toEqual(['m0', 'm1'])
    expect(left.map(({ name, reasons: [reason] }) => [name, reason!.code])).toEqual([['m2', 'shares-zone']])
  })

  test('a new group is taken by all; those that do not keep to it are named', () => {
    const added = { name: 'web', mostInZone: 1 }
    const change: ManyChange = { kind: 'apart', apart: { group: 'web' }, added }
    const { machines, changed, unfit } = run([{ zone: 'a' }, { zone: 'a' }, { zone: 'b' }], change)
    expect(machines.map(({ needs }) => needs.apart)).toEqual([
      { group: 'web' },
      { group: 'web' },
      { group: 'web' },
    ])
    expect(changed).toEqual(['m0', 'm1', 'm2'])
    expect(unfit.map(({ name, reasons: [reason] }) => [name, reason!.code])).toEqual([
      ['m0', 'shares-zone'],
      ['m1', 'shares-zone'],
    ])
    const again = run([{ needs: machines[0]!.needs }], { kind: 'apart', apart: undefined }, undefined, [
      added,
    ])
    expect(again.machines[0]!.needs.apart).toBeUndefined()
  })

  test('leaves what would not fit as it is, and says why', () => {
    const { changed, left } = run([{}, { size: 'huge', needs: { vcpu: 16, memoryGiB: gib(128), iops: 0 } }], {
      kind: 'off',
      off: { off: 'hibernated' },
    })
    expect(changed).toEqual(['m0'])
    expect(left).toMatchObject([{ name: 'm1', issues: [], otherProvider: false }])
    expect(left[0]!.reasons.length).toBeGreaterThan(0)
  })

  test('moves to a zone that the region has, and not where the size is not sold', () => {
    const { machines, changed, left } = run([{ zone: 'b' }, { size: 'huge' }, { provider: 'weir' }], {
      kind: 'region',
      provider: 'mill',
      region: 'west',
    })
    expect([machines[0]!.region, machines[0]!.zone]).toEqual(['west', 'a'])
    expect(changed).toEqual(['m0'])
    expect(left.map(({ name, otherProvider }) => [name, otherProvider])).toEqual([
      ['m1', false],
      ['m2', true],
    ])
    expect(left[0]!.issues.length + left[0]!.reasons.length).toBeGreaterThan(0)
  })

  test('terms that a region does not sell are refused', () => {
    const { left } = run([{}], { kind: 'terms', provider: 'mill', terms: 'year' })
    expect(left[0]!.issues).toMatchObject([{ code: 'not-sold' }])
  })

  test('sets and takes away tags and cost centres, without empty ones', () => {
    const tagged = run([{ tags: { a: '1' } }, {}], { kind: 'tag', key: 'team', value: 'rail' })
    expect(tagged.machines.map(({ tags }) => tags)).toEqual([{ a: '1', team: 'rail' }, { team: 'rail' }])
    const bare = run([{ tags: { team: 'rail' } }], { kind: 'tag', key: 'team', value: undefined })
    expect('tags' in bare.machines[0]!).toBe(false)
    const charged = run([{ costCentre: '7' }], { kind: 'cost-centre', costCentre: undefined })
    expect('costCentre' in charged.machines[0]!).toBe(false)
  })

  test('is priced with a week that comes with it', () => {
    const added = { ...OFFICE_WEEK, id: 'off', name: 'Off', windows: [] }
    const to = { kind: 'week', week: 'off' } as const
    expect(run([{}], { ...to, added }).changed).toEqual(['m0'])
    expect(run([{}], to).left).toMatchObject([{ name: 'm0', issues: [{ code: 'unknown-name' }] }])
  })

  test('gives a first and a last day, and takes them away', () => {
    const part = { firstDay: '2027-03-08', lastDay: '2027-03-12' }
    const lived = run([{}, part], { kind: 'life', firstDay: '2027-03-08', lastDay: '2027-03-12' })
    expect(lived.machines).toMatchObject([part, part])
    expect(lived.changed).toEqual(['m0'])
    const [bare] = run([part], { kind: 'life', firstDay: undefined, lastDay: undefined }).machines
    expect(['firstDay' in bare!, 'lastDay' in bare!]).toEqual([false, false])
  })

  test('says a need of all, and names those that do not meet it', () => {
    const parts = [{}, { region: 'west', zone: 'a' }]
    const asked = run(parts, { kind: 'jurisdictions', jurisdictions: ['EU'] })
    expect(asked.machines.map(({ needs }) => needs.jurisdictions)).toEqual([['EU'], ['EU']])
    expect(asked.changed).toEqual(['m0', 'm1'])
    expect(asked.left).toEqual([])
    expect(asked.unfit).toMatchObject([{ name: 'm1', reasons: [{ code: 'jurisdiction-not-allowed' }] }])
    const again = run(asked.machines, { kind: 'jurisdictions', jurisdictions: ['UK'] })
    expect(again.unfit.map(({ name }) => name)).toEqual(['m0', 'm1'])
    const none = run(asked.machines, { kind: 'jurisdictions', jurisdictions: [] })
    expect(none.machines.some(({ needs }) => 'jurisdictions' in needs)).toBe(false)
  })
})

test('copies have names that nothing else has', () => {
  const machines = [
    { ...SMALL_MACHINE, name: 'lab' },
    { ...SMALL_MACHINE, name: 'lab-3' },
  ]
  expect(copyNames('lab', 3, { machines })).toEqual(['lab-2', 'lab-4', 'lab-5'])
})

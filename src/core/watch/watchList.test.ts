import { describe, expect, test } from 'vitest'
import type { PriceBook } from '../catalogue/priceBook.ts'
import { compare } from '../quantity/exact.ts'
import { parseDecimal } from '../quantity/decimal.ts'
import { gib } from '../quantity/units.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { EVERY_DAY, windowsOn } from '../testing/weeks.ts'
import type { Finding } from './finding.ts'
import { findWatched, QUIET, watch } from '../testing/watched.ts'

const money = (text: string) => parseDecimal(text)!
const costs = (finding: Finding | undefined, text: string): void =>
  expect(finding?.stake && compare(finding.stake, money(text))).toBe(0)

/** Figures are the same number, over whatever denominator. */
const sameMoney = (facts: Finding['facts'] | undefined, field: string, text: string): void => {
  const amount = (facts as unknown as Record<string, ReturnType<typeof money>> | undefined)?.[field]
  expect(amount && compare(amount, money(text))).toBe(0)
}

describe('each mistake is found, with its figures and what mends it', () => {
  test('a quiet machine has nothing but what is always so', () => {
    expect(watch({ part: QUIET }).open.map(({ key }) => key)).toEqual(['left-on'])
  })

  test('1. stopped is not free', () => {
    const found = findWatched({ part: { ...QUIET, off: 'stopped' } }, 'off-still-charged')
    expect(found).toMatchObject({
      severity: 'warning',
      facts: { state: 'stopped', isFlat: false },
      mend: { choice: { decision: 'off' } },
    })
    // 744 h less 230 h at 0.2067 would be free, deallocated
    costs(found, '106.2438')
  })

  test('1. nor is a flat plan that is switched off', () => {
    const flat = { size: 'flat', terms: 'flat', systemDisk: { kind: 'own', roomGiB: gib(60) } }
    const found = findWatched({ part: { ...flat, off: 'stopped' } }, 'off-still-charged')
    expect(found?.facts).toMatchObject({ isFlat: true })
    sameMoney(found?.facts, 'perHour', '0.0132')
  })

  test('2. the floor that remains when off', () => {
    const dataDisks = [{ kind: 'steps', roomGiB: gib(256), goes: true }]
    const found = findWatched({ part: { ...QUIET, size: 'tenth', dataDisks } }, 'floor-when-off')
    expect(found?.facts).toMatchObject({ diskGiB: 256 })
    sameMoney(found?.facts, 'floor', '21.74')
    expect(findWatched({ part: { ...QUIET, size: 'huge' } }, 'floor-when-off')).toBeUndefined()
  })

  test('3. a decimal that slipped: ten times what the family costs a vCPU', () => {
    const slipped: PriceBook = {
      ...SMALL_BOOK,
      prices: {
        ...SMALL_BOOK.prices,
        east: {
          ...SMALL_BOOK.prices.east!,
          sizes: { ...SMALL_BOOK.prices.east!.sizes, middle: { perHour: '2.067' } },
        },
      },
    }
    const found = findWatched({ part: QUIET, book: slipped }, 'rate-out-of-line')
    expect(found?.facts).toMatchObject({ size: 'middle', family: 'Plain' })
    sameMoney(found?.facts, 'perHour', '2.067')
    expect((found?.facts as { factor: number }).factor).toBeCloseTo(10, 0)
    expect(findWatched({ part: QUIET, book: SMALL_BOOK }, 'rate-out-of-line')).toBeUndefined()
  })

  test('4. two machines in one free pool', () => {
    const pool = { id: 'pool', hoursPerMonth: 300, eligible: ['tenth'], until: '2027-12-31' }
    const scene = { part: { ...QUIET, size: 'tenth' }, book: { ...RULE_BOOK, freeAllowances: [pool] } }
    const second = { ...SMALL_MACHINE, ...scene.part, name: 'second' }
    expect(findWatched({ ...scene, others: [second] }, 'shared-allowance/pool')?.facts).toMatchObject({
      machines: ['bench-one', 'second'],
    })
    expect(findWatched(scene, 'shared-allowance/pool')).toBeUndefined()
  })

  test('5. what is left behind when it is deleted, and letting it go', () => {
    const part = { ...QUIET, systemDisk: { kind: 'steps', roomGiB: gib(32) }, address: 'fixed' } as const
    const found = findWatched({ part }, 'left-after-delete')
    expect(found?.facts).toMatchObject({ parts: ['disks', 'address'] })
    // 2.62 for the disk, 744 h of an unattached address at 0.0072
    costs(found, '7.9768')
    expect(found?.mend?.machine).toMatchObject({ systemDisk: { goes: true }, addressGoes: true })
  })

  test('6. hours without an end, an end without a start, and a forgotten weekend', () => {
    const found = findWatched({ part: { ...QUIET, off: 'running' } }, 'never-off')
    expect(found?.facts).toMatchObject({ offHours: (744 - 230) * 3_600 })
    costs(found, '106.2438')
    expect(
      findWatched({ part: QUIET, week: { ...OFFICE_WEEK, windows: [] } }, 'never-starts')?.severity,
    ).toBe('problem')
    // Friday 18:00 to Monday 08:00 is 62 h
    const weekend = findWatched({ part: QUIET }, 'left-on')?.facts
    expect(weekend).toMatchObject({ gap: 62 * 3_600 })
    sameMoney(weekend, 'cost', '12.8154')
    const always = { ...OFFICE_WEEK, windows: windowsOn(EVERY_DAY, '00:00-24:00') }
    expect(findWatched({ part: { ...QUIET, off: 'running' }, week: always }, 'never-off')).toBeUndefined()
  })

  test('7. what does not fit, and the nearest that does', () => {
    const found = findWatched(
      { part: { ...QUIET, size: 'rare', off: 'hibernated' } },
      'does-not-fit/not-sold-here',
    )
    expect(found).toMatchObject({ severity: 'problem', facts: { reason: { soldIn: ['b'] } } })
    expect(found?.mend?.machine).toMatchObject({ zone: 'a', off: 'hibernated', size: 'middle' })
  })

  test('8. the same machine in several zones', () => {
    const copy = { ...SMALL_MACHINE, ...QUIET, name: 'bench-two', zone: 'b' }
    const found = findWatched({ part: QUIET, others: [copy] }, 'same-in-several-zones')
    expect(found?.facts).toMatchObject({ machines: ['bench-two'] })
    costs(found, '50.161')
    const other = { ...copy, purpose: 'another' }
    expect(findWatched({ part: QUIET, others: [other] }, 'same-in-several-zones')).toBeUndefined()
  })

  test('9. sign-in that is open to all, narrowed to the own network with the rest left as it was', () => {
    const inbound = [
      { protocol: 'tcp', ports: { first: 20, last: 80 }, from: ['0.0.0.0/0'] },
      { protocol: 'tcp', ports: { first: 3389, last: 3389 }, from: ['198.51.100.0/24'] },
    ] as const
    const access = { inbound, administrator: 'root', hostName: 'bench_one', signIn: 'password' } as const
    const { open } = watch({ part: { ...QUIET, access } })
    const port = open.find(({ key }) => key === 'port-open/22')
    expect(port?.mend?.machine.access?.inbound).toEqual([
      { protocol: 'tcp', ports: { first: 22, last: 22 }, from: 'own-network' },
      { protocol: 'tcp', ports: { first: 20, last: 21 }, from: ['0.0.0.0/0'] },
      { protocol: 'tcp', ports: { first: 23, last: 80 }, from: ['0.0.0.0/0'] },
      inbound[1],
    ])
    expect(open.map(({ key }) => key)).not.toContain('port-open/3389')
    expect(open.find(({ key }) => key === 'name-not-taken/administrator')?.facts).toMatchObject({
      problem: { code: 'reserved' },
    })
    expect(open.map(({ key }) => key)).toContain('name-not-taken/hostname')
    expect(open.find(({ key }) => key === 'rule-without-address')?.facts).toMatchObject({ rules: [1, 2] })
    const admin = watch({ part: { ...QUIET, access: { administrator: 'admin' } } }).open
    expect(admin.map(({ key, severity }) => [key, severity])).toContainEqual(['name-guessable', 'warning'])
    const byKey = open.find(({ key }) => key === 'password-only')
    expect(byKey?.mend?.machine.access?.signIn).toBe('key')
  })

  test('10. an address that changes each time it comes back', () => {
    const book = {
      ...RULE_BOOK,
      prices: {
        ...RULE_BOOK.prices,
        east: {
          ...RULE_BOOK.prices.east!,
          addresses: {
            ...RULE_BOOK.prices.east!.addresses,
            changing: { attachedOn: '0.001', attachedOff: '0', unattached: '0' },
          },
        },
      },
    }
    const found = findWatched({ part: { ...QUIET, address: 'changing' }, book }, 'address-changes')
    expect(found?.facts).toMatchObject({ times: 23 })
    expect(found?.mend?.choice).toEqual({ decision: 'address', address: 'fixed' })
    const stopped = findWatched(
      { part: { ...QUIET, address: 'changing', off: 'stopped' }, book },
      'address-changes',
    )
    expect(stopped).toBeUndefined()
  })

  test('11. room a GiB above a step, and more of it than is needed', () => {
    const systemDisk = { kind: 'steps', roomGiB: gib(130), goes: true }
    const found = findWatched({ part: { ...QUIET, systemDisk } }, 'just-above-step/0')
    expect(found?.facts).toMatchObject({ asked: 130, charged: 256, below: 128 })
    costs(found, '9.26')
    expect(findWatched({ part: { ...QUIET, systemDisk } }, 'more-room-than-needed')?.facts).toMatchObject({
      room: 130,
      needed: 10,
    })
    const exact = { ...systemDisk, roomGiB: gib(256) }
    expect(findWatched({ part: { ...QUIET, systemDisk: exact } }, 'just-above-step/0')).toBeUndefined()
  })

  test('prices that have been valid for more than a year when the month begins', () => {
    const of = (from: string) =>
      findWatched({ part: QUIET, book: { ...SMALL_BOOK, valid: { from } } }, 'old-prices')?.facts
    expect(of('2026-03-01')).toBeUndefined()
    expect(of('2026-01-01')).toMatchObject({ provider: 'Mill', since: '2026-01-01', months: 14 })
    expect(of('2025-03-01')).toMatchObject({ months: 24 })
  })

  test('12. what cannot be set side by side', () => {
    const abroad = { ...RULE_BOOK, provider: { id: 'weir', name: 'Weir' }, currency: 'USD' }
    expect(findWatched({ part: QUIET, more: [abroad] }, 'currency-without-rate/usd')?.facts).toMatchObject({
      from: 'USD',
      to: 'EUR',
    })
    expect(findWatched({ part: QUIET, reading: '730-hours' }, 'printed-month')?.facts).toMatchObject({
      hours: 744,
    })
    expect(findWatched({ part: { ...QUIET, size: 'cores' } }, 'sold-by-cores')?.facts).toMatchObject({
      cores: 2,
      vcpu: 4,
    })
  })

  test('13. more than the provider lets an account have', () => {
    const book = { ...RULE_BOOK, quotas: { vcpu: 6, machines: 2, fixedAddresses: 1 } }
    const others = [{ ...SMALL_MACHINE, name: 'second' }]
    const found = findWatched({ part: QUIET, others, book }, 'over-quota/vcpu')
    expect(found?.facts).toMatchObject({ used: 8, most: 6, provider: 'Mill' })
    expect(findWatched({ part: QUIET, others, book }, 'over-quota/machines')).toBeUndefined()
  })

  test('14. performance that the size does not pass, and cores that are shared', () => {
    const disk = { kind: 'bought', roomGiB: gib(60), extraIops: 9_000, goes: true }
    const sizes = RULE_BOOK.sizes.map((size) => ({
      ...size,
      diskKinds: [...size.diskKinds!, 'bought'],
      sharedCore: true,
    }))
    const scene = { part: { ...QUIET, systemDisk: disk }, book: { ...RULE_BOOK, sizes } }
    expect(findWatched(scene, 'throttled/iops')).toMatchObject({
      severity: 'warning',
      facts: { given: 12_000, reached: 8_000, size: 'middle' },
    })
    expect(findWatched(scene, 'shared-core')?.facts).toMatchObject({ starts: 23 })
  })
})

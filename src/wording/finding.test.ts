import { describe, expect, test } from 'vitest'
import type { Finding, FindingFacts } from '../core/watch/finding.ts'
import { parseDecimal } from '../core/quantity/decimal.ts'
import { gib, instant, seconds } from '../core/quantity/units.ts'
import { resolved } from '../core/testing/resolved.ts'
import { findingText, mendText, nameProblemText } from './finding'

const money = (text: string) => parseDecimal(text)!
const WORDS = { currency: 'EUR', timeZone: 'Etc/UTC' }

describe('what was found reads as a sentence with its figures', () => {
  test.each<[FindingFacts, RegExp]>([
    [
      { code: 'off-still-charged', state: 'stopped', perHour: money('0.2067'), isFlat: false },
      /^Stopped is not free: .* € 0\.2067 an hour\.$/,
    ],
    [
      { code: 'off-still-charged', state: 'stopped', perHour: money('0.0132'), isFlat: true },
      /^A flat plan is charged while stopped too: € 0\.0132 .* deleted\.$/,
    ],
    [
      { code: 'floor-when-off', floor: money('28.53'), diskGiB: gib(2_048), share: 0.437 },
      /^Off all month it would still cost € 28\.53, 44 % .* 2,048 GiB\.$/,
    ],
    [
      { code: 'rate-out-of-line', size: 'Heron 2/8', family: 'Heron', perHour: money('1.034'), factor: 10 },
      /^Heron 2\/8 costs € 1\.0340 an hour, .* 10\.0 times .* slipped decimal/,
    ],
    [
      { code: 'rate-out-of-line', size: 'Heron 2/8', family: 'Heron', perHour: money('0.0103'), factor: 0.1 },
      /one 10\.0th of/,
    ],
    [
      {
        code: 'shared-allowance',
        allowance: '600 hours',
        machines: ['a', 'b', 'c'],
        usedUpAt: instant(Date.UTC(2027, 2, 19, 18) / 1_000),
      },
      /^600 hours is one pool for a, b and c: it is used up on 19 March, 18:00/,
    ],
    [{ code: 'left-after-delete', parts: ['address'] }, /leaves its address behind, and it is charged on\.$/],
    [
      { code: 'left-after-delete', parts: ['disks', 'snapshots'] },
      /leaves its disks and snapshots behind, and they are charged on\. Snapshots stay also where their disk went/,
    ],
    [{ code: 'never-starts', week: 'Empty' }, /^“Empty” has no hours/],
    [{ code: 'never-off', week: 'Nights', offHours: seconds(496 * 3_600) }, /other 496 h of the month/],
    [
      { code: 'left-on', gap: seconds(62 * 3_600), cost: money('12.8154') },
      /forgotten for 62 h, .* € 12\.82\.$/,
    ],
    [
      { code: 'does-not-fit', reason: { code: 'too-few-vcpu', has: 2, needs: 4, by: 'needs' } },
      /^It does not fit: 2 vCPU, you need 4\.$/,
    ],
    [{ code: 'same-in-several-zones', machines: ['x-b'] }, /^x-b is the same machine in another zone/],
    [{ code: 'same-in-several-zones', machines: ['x-b', 'x-c'] }, /^x-b and x-c are the same machine/],
    [{ code: 'port-open', port: 3389 }, /^Port 3389, .* every address in the world\.$/],
    [
      {
        code: 'name-not-taken',
        field: 'administrator',
        name: 'root',
        image: 'Corrie Linux',
        problem: { code: 'reserved', name: 'root' },
      },
      /^The administrator’s name “root” is reserved.*\(Corrie Linux\)\.$/,
    ],
    [{ code: 'password-only' }, /by password/],
    [{ code: 'address-changes', times: 22 }, /^Its address changes 22 times a month/],
    [
      { code: 'just-above-step', position: 1, asked: gib(130), charged: gib(256), below: gib(128) },
      /^Data disk 1: 130 GiB is just above a step, and 256 GiB are charged; 128 GiB/,
    ],
    [{ code: 'more-room-than-needed', room: gib(128), needed: gib(22) }, /has 128 GiB; .* need 22\.$/],
    [{ code: 'currency-without-rate', from: 'USD', to: 'EUR' }, /USD cannot be set against EUR/],
    [{ code: 'printed-month', hours: 743 }, /730 h; this one has 743 h/],
    [
      { code: 'old-prices', provider: 'Quarry Row', edition: '2026-01', since: '2026-01-01', months: 14 },
      /Quarry Row’s edition 2026-01, valid since 2026-01-01: 14 months before this one/,
    ],
    [{ code: 'sold-by-cores', size: 'Cobble 2', cores: 2, vcpu: 4 }, /2 physical cores, which are 4 vCPU/],
    [
      { code: 'over-quota', what: 'fixedAddresses', used: 4, most: 3, provider: 'Quarry Row' },
      /^Quarry Row lets an account have 3 fixed addresses; .* have 4\.$/,
    ],
    [
      { code: 'throttled', figure: 'iops', given: 9_400, reached: 3_200, size: 'Pelican 2/16' },
      /could give 9,400 IOPS, Pelican 2\/16 passes 3,200/,
    ],
    [
      { code: 'throttled', figure: 'throughput', given: 248, reached: 96, size: 'Pelican 2/16' },
      /could give 248 MB\/s/,
    ],
    [{ code: 'shared-core', size: 'Reed 2/4', starts: 22 }, /after each of its 22 starts\.$/],
    [{ code: 'shared-core', size: 'Reed 2/4', starts: 0 }, /while idle\.$/],
  ])('%o', (facts, words) => {
    const text = findingText(facts, WORDS)
    expect(text).toMatch(words)
    expect(text).not.toMatch(/undefined|NaN/)
  })
})

test('what mends it says what it takes and what that costs', () => {
  const machine = resolved()
  const found = (part: Partial<Finding>): Finding => ({
    key: 'x',
    severity: 'note',
    facts: { code: 'password-only' },
    ...part,
  })
  const mend = { machine: machine.machine, difference: money('-6.58') }
  expect(mendText(found({}), machine)).toBeUndefined()
  expect(mendText(found({ mend: { machine: machine.machine } }), machine)).toBe('Sign in by key')
  const choice = { decision: 'off', off: 'deallocated' } as const
  expect(mendText(found({ mend: { ...mend, choice } }), machine)).toBe('When off: Deallocated −6.58')
  const port = { code: 'port-open', port: 22 } as const
  expect(mendText(found({ facts: port, mend }), machine)).toBe('Let in its own network alone on 22')
  const left = { code: 'left-after-delete', parts: ['disks'] } as const
  expect(mendText(found({ facts: left, mend }), machine)).toBe('Let them go with it')
})

test.each([
  [{ code: 'too-long', most: 15 }, 'is longer than 15 characters'],
  [{ code: 'only-digits' }, 'may not be digits only'],
  [{ code: 'characters', allowed: 'host' }, 'may have letters, digits and inner hyphens only'],
] as const)('%o', (problem, words) => expect(nameProblemText(problem)).toBe(words))

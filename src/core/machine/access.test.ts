import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { isOpenToAll, isRange, letsIn, type InboundRule } from './access.ts'
import { administratorProblem, hostNameProblem, nameRulesOf } from './accessProblems.ts'

const ssh = (from: InboundRule['from']): InboundRule => ({
  protocol: 'tcp',
  ports: { first: 22, last: 22 },
  from,
})

describe('ranges', () => {
  test.each(['0.0.0.0/0', '198.51.100.0/24', '203.0.113.7/32', '::/0', '2001:db8::/32', '2001:db8::1/128'])(
    '%s is one',
    (text) => expect(isRange(text)).toBe(true),
  )

  test.each([
    '198.51.100.7/24',
    '198.51.100.0',
    '256.0.0.0/8',
    '10.0.0.0/33',
    '2001:db8::1/32',
    'anyone',
    '',
  ])('%s is none', (text) => expect(isRange(text)).toBe(false))

  test('an IPv4 range is one exactly when all bits of its host are zero', () => {
    fc.assert(
      fc.property(fc.nat(0xffffffff), fc.integer({ min: 0, max: 32 }), (address, bits) => {
        const text = `${[24, 16, 8, 0].map((shift) => (address >>> shift) & 0xff).join('.')}/${bits}`
        const host = bits === 32 ? 0 : address % 2 ** (32 - bits)
        expect(isRange(text)).toBe(host === 0)
      }),
    )
  })
})

describe('rules', () => {
  test('are open to all by word or by a range of everything', () => {
    expect(isOpenToAll(ssh('anyone'))).toBe(true)
    expect(isOpenToAll(ssh(['10.0.0.0/8', '::/0']))).toBe(true)
    expect(isOpenToAll(ssh(['10.0.0.0/8']))).toBe(false)
    expect(isOpenToAll(ssh('own-network'))).toBe(false)
  })

  test('let a port in where it lies in their range', () => {
    const wide: InboundRule = { protocol: 'tcp', ports: { first: 20, last: 25 }, from: 'anyone' }
    expect([19, 20, 22, 25, 26].map((port) => letsIn(wide, port))).toEqual([false, true, true, true, false])
    expect(letsIn({ ...wide, protocol: 'udp' }, 22)).toBe(false)
    expect(letsIn({ protocol: 'icmp', from: 'anyone' }, 22)).toBe(false)
  })
})

describe('names', () => {
  test('go by the kind of image', () => {
    expect(nameRulesOf({})).toBe('unix')
    expect(nameRulesOf({ licence: 'seal' })).toBe('desktop')
  })

  test.each([
    ['tramops', 'unix', undefined],
    ['tram-ops_2', 'unix', undefined],
    ['Tramops', 'unix', 'characters'],
    ['2tram', 'unix', 'characters'],
    ['root', 'unix', 'reserved'],
    ['x'.repeat(33), 'unix', 'too-long'],
    ['Kiosk Admin', 'desktop', undefined],
    ['kiosk.', 'desktop', 'characters'],
    ['a/b', 'desktop', 'characters'],
    ['Administrator', 'desktop', 'reserved'],
    ['x'.repeat(21), 'desktop', 'too-long'],
  ] as const)('administrator %s on %s: %s', (name, rules, code) =>
    expect(administratorProblem(name, rules)?.code).toBe(code),
  )

  test.each([
    ['bench-one', 'unix', undefined],
    ['Bench1', 'unix', undefined],
    ['-bench', 'unix', 'characters'],
    ['bench_one', 'unix', 'characters'],
    ['x'.repeat(64), 'unix', 'too-long'],
    ['x'.repeat(16), 'desktop', 'too-long'],
    ['12345', 'desktop', 'only-digits'],
    ['12345', 'unix', undefined],
  ] as const)('machine %s on %s: %s', (name, rules, code) =>
    expect(hostNameProblem(name, rules)?.code).toBe(code),
  )
})

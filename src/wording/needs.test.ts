import { describe, expect, test } from 'vitest'
import { needsAsked, type NeedId } from '../core/fit/needId.ts'
import type { ForcedChange } from '../core/machine/forcedChange.ts'
import type { Needs } from '../core/machine/needs.ts'
import { gib } from '../core/quantity/units.ts'
import { forcedChangeText } from './forcedChange'
import { signedDecimal } from './money'
import { needText } from './needs'

const NEEDS: Needs = {
  vcpu: 4,
  memoryGiB: gib(16),
  iops: 3_000,
  megabytesPerSecond: 120,
  diskGiB: gib(2_048),
  accelerators: 1,
  architecture: 'arm64',
  jurisdictions: ['EU', 'UK'],
  usedFrom: ['Lisbon', 'Pune'],
  roundTripMs: 60,
  keeps: ['memory', 'address', 'local-disk', 'hardware'],
  backWithinSeconds: 90,
}

describe('needs in a few words', () => {
  test.each<[NeedId, string]>([
    ['vcpu', '4 vCPU'],
    ['memory', '16 GiB of memory'],
    ['iops', '3,000 IOPS'],
    ['throughput', '120 MB/s'],
    ['disk', '2,048 GiB of disk'],
    ['accelerators', '1 accelerator'],
    ['architecture', 'arm64'],
    ['jurisdictions', 'in EU or UK'],
    ['round-trip', '60 ms from Lisbon and Pune'],
    ['keep-memory', 'keeps its memory'],
    ['keep-address', 'keeps its address'],
    ['keep-local-disk', 'keeps its local disk'],
    ['keep-hardware', 'sure to get hardware again'],
    ['back-within', 'back within 90 s'],
  ])('%s: %s', (id, words) => expect(needText(id, NEEDS)).toBe(words))

  test('there are words for each that can be asked', () => {
    for (const id of needsAsked(NEEDS)) expect(needText(id, NEEDS)).not.toMatch(/undefined|^$/)
  })
})

describe('what a choice forces', () => {
  test.each<[ForcedChange, string]>([
    [{ field: 'size', from: 'Heron 4/16', to: 'Eddy 4/16' }, 'Size: Eddy 4/16 in place of Heron 4/16'],
    [{ field: 'zone', from: 'b', to: 'a' }, 'Zone: a in place of b'],
    [{ field: 'disk', position: 0, from: 'Ember', to: 'Spray' }, 'System disk: Spray in place of Ember'],
    [{ field: 'disk', position: 2, from: 'Ember', to: 'Spray' }, 'Data disk 2: Spray in place of Ember'],
    [
      { field: 'off', from: { off: 'hibernated' }, to: { off: 'running' } },
      'When off: always on in place of hibernated',
    ],
  ])('%o', (change, words) => expect(forcedChangeText(change)).toBe(words))

  test.each([
    ['9.26', '+9.26'],
    ['-1234.50', '−1,234.50'],
    ['0.00', '0.00'],
  ])('a difference of %s reads %s', (decimal, words) => expect(signedDecimal(decimal)).toBe(words))
})

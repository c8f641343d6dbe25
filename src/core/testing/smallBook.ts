import type { PriceBook, StateRow } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { gib } from '../quantity/units.ts'

const row = (on: boolean, address: StateRow['address'], leave = 0, back = 0, perGiB = 0): StateRow => ({
  compute: on,
  licence: on,
  disks: true,
  address,
  memoryImage: false,
  leave: { seconds: leave, secondsPerGiB: perGiB },
  return: { seconds: back, secondsPerGiB: perGiB },
})

const size = (id: string, vcpu: number, memory: number, part: Partial<PriceBook['sizes'][number]> = {}) => ({
  id,
  name: id,
  family: 'plain',
  generation: 1,
  architecture: 'x86-64' as const,
  vcpu,
  memoryGiB: gib(memory),
  mostDisks: 2,
  diskKinds: ['steps', 'gib', 'data-only'],
  iops: 2_000 * vcpu,
  megabytesPerSecond: 100,
  networkMegabitsPerSecond: 1_000,
  hibernation: true,
  ...part,
})

const image = (id: string, part: Partial<PriceBook['images'][number]> = {}) => ({
  id,
  name: id,
  about: 'An image',
  architectures: ['x86-64' as const],
  least: { vcpu: 1, memoryGiB: gib(1), diskGiB: gib(10) },
  usedGiB: gib(6),
  hibernation: true,
  ...part,
})

/** A book small enough to reckon by hand: every price differs, and every reason not to fit can occur. */
export const SMALL_BOOK: PriceBook = {
  provider: { id: 'mill', name: 'Mill' },
  edition: '1',
  currency: 'EUR',
  valid: { from: '2027-01-01' },
  billingZone: 'Etc/UTC',
  billing: { minimumSeconds: 60, incrementSeconds: 1 },
  states: {
    running: row(true, 'attachedOn'),
    stopped: row(true, 'attachedOff', 20, 25),
    deallocated: row(false, 'attachedOff', 30, 75),
    hibernated: row(false, 'attachedOff', 30, 20, 1),
  },
  hibernation: { mostMemoryGiB: gib(64) },
  regions: [
    {
      id: 'east',
      name: 'East',
      country: 'PT',
      jurisdiction: 'EU',
      latitude: 0,
      longitude: 0,
      zones: ['a', 'b'],
    },
    { id: 'west', name: 'West', country: 'CA', jurisdiction: 'CA', latitude: 0, longitude: 0, zones: ['a'] },
  ],
  families: [{ id: 'plain', name: 'Plain', about: 'Plain sizes' }],
  sizes: [
    size('small', 2, 8),
    size('middle', 4, 16),
    size('arm', 4, 16, { architecture: 'arm64' }),
    size('huge', 16, 128),
    size('rare', 4, 16, { diskKinds: ['steps'], mostDisks: 1, hibernation: false }),
  ],
  diskKinds: [
    {
      id: 'steps',
      name: 'Steps',
      about: 'By steps',
      room: { by: 'step', stepsGiB: [32, 64, 128, 256].map(gib) },
      iops: { base: 100, perGiB: 20, least: 500, most: 5_000 },
      megabytesPerSecond: { base: 10, perGiB: 1, most: 100 },
      boots: true,
    },
    {
      id: 'gib',
      name: 'Gibs',
      about: 'By the GiB',
      room: { by: 'gib', leastGiB: gib(10), mostGiB: gib(100) },
      iops: { base: 3_000, perGiB: 60, least: 3_000, most: 9_000 },
      megabytesPerSecond: { base: 10, perGiB: 1, most: 100 },
      boots: true,
    },
    {
      id: 'data-only',
      name: 'Data only',
      about: 'Does not boot',
      room: { by: 'step', stepsGiB: [64, 128].map(gib) },
      iops: { base: 5_000, perGiB: 0, least: 0, most: 5_000 },
      megabytesPerSecond: { base: 10, perGiB: 1, most: 100 },
      boots: false,
    },
  ],
  licences: [{ id: 'seal', name: 'Seal', perVcpuHour: '0.023', leastVcpu: 4, ownLicence: true }],
  images: [
    image('free'),
    image('sealed', { licence: 'seal', least: { vcpu: 4, memoryGiB: gib(8), diskGiB: gib(40) } }),
    image('restless', { hibernation: false }),
  ],
  terms: [
    { id: 'on-demand', name: 'On demand', kind: 'on-demand' },
    { id: 'year', name: 'One year', kind: 'commitment', months: 12, upFront: 'none' },
  ],
  prices: {
    east: {
      sizes: {
        small: { perHour: '0.1034' },
        middle: { perHour: '0.2067' },
        arm: { perHour: '0.18' },
        huge: { perHour: '1.1' },
        rare: { perHour: '0.19', zones: ['b'] },
      },
      disks: {
        steps: { perMonthByStep: { 32: '2.62', 64: '5.05', 128: '9.86', 256: '19.12' } },
        gib: { perGiBMonth: '0.077' },
        'data-only': { perMonthByStep: { 64: '9', 128: '18' } },
      },
      addresses: { fixed: { attachedOn: '0.0036', attachedOff: '0.004', unattached: '0.0072' } },
    },
    west: {
      sizes: { small: { perHour: '0.09' }, middle: { perHour: '0.17' } },
      disks: { steps: { perMonthByStep: { 32: '2.5', 64: '5', 128: '9.5', 256: '19' } } },
      addresses: {},
    },
  },
}

/** A middle machine in East, on its own from Monday to Friday. */
export const SMALL_MACHINE: Machine = {
  name: 'bench-one',
  purpose: '',
  needs: { vcpu: 2, memoryGiB: gib(8), iops: 0 },
  provider: 'mill',
  region: 'east',
  zone: 'a',
  size: 'middle',
  image: 'free',
  terms: 'on-demand',
  systemDisk: { kind: 'steps', roomGiB: gib(128) },
  dataDisks: [],
  address: 'none',
  week: 'week',
  off: 'deallocated',
}

import type { PriceBook } from '../catalogue/priceBook.ts'
import { gib } from '../quantity/units.ts'
import { SMALL_BOOK } from './smallBook.ts'

const small = SMALL_BOOK.sizes[0]!
const atOnce = { leave: { seconds: 0 }, return: { seconds: 0 } }

/** The small book with every rule that a provider can have, at round prices, and changes that take no time. */
export const RULE_BOOK: PriceBook = {
  ...SMALL_BOOK,
  billing: { minimumSeconds: 0, incrementSeconds: 1, vcpuPerCore: 2 },
  states: {
    running: SMALL_BOOK.states.running,
    stopped: { ...SMALL_BOOK.states.stopped!, ...atOnce },
    deallocated: { ...SMALL_BOOK.states.deallocated!, ...atOnce },
    hibernated: { ...SMALL_BOOK.states.hibernated!, ...atOnce, memoryImage: true },
    deleted: {
      ...SMALL_BOOK.states.deallocated!,
      ...atOnce,
      disks: false,
      address: 'unattached',
    },
  },
  sizes: [
    ...SMALL_BOOK.sizes,
    { ...small, id: 'tenth', name: 'Tenth' },
    { ...small, id: 'free', name: 'Free' },
    { ...small, id: 'by-second', name: 'By second' },
    { ...small, id: 'cores', name: 'Cores', cores: 2, vcpu: 4 },
    {
      ...small,
      id: 'choice',
      name: 'Choice',
      choice: { vcpu: { least: 2, most: 8, step: 2 }, memoryGiB: { least: 2, most: 64, step: 1 } },
    },
    {
      ...small,
      id: 'flat',
      name: 'Flat',
      localDiskGiB: gib(60),
      includedTrafficGiB: gib(100),
      diskKinds: ['own'],
    },
  ],
  diskKinds: [
    ...SMALL_BOOK.diskKinds,
    {
      ...SMALL_BOOK.diskKinds[1]!,
      id: 'bought',
      name: 'Bought',
      iops: { base: 3_000, perGiB: 0, least: 3_000, most: 3_000, boughtMost: 10_000 },
      megabytesPerSecond: { base: 100, perGiB: 0, most: 100, boughtMost: 500 },
    },
    { ...SMALL_BOOK.diskKinds[0]!, id: 'own', name: 'Own', room: { by: 'size' } },
  ],
  licences: [
    ...SMALL_BOOK.licences,
    { id: 'support', name: 'Support', perVcpuHour: '0.01', leastVcpu: 1, ownLicence: false },
  ],
  images: [
    ...SMALL_BOOK.images,
    { ...SMALL_BOOK.images[0]!, id: 'supported', name: 'Supported', subscription: 'support' },
  ],
  terms: [
    { id: 'on-demand', name: 'On demand', kind: 'on-demand' },
    { id: 'spot', name: 'Spot', kind: 'spot', interruption: 'often' },
    { id: 'year', name: 'One year', kind: 'commitment', months: 12, upFront: 'none' },
    { id: 'year-part', name: 'One year, part', kind: 'commitment', months: 12, upFront: 'part' },
    { id: 'years-all', name: 'Three years, all', kind: 'commitment', months: 36, upFront: 'all' },
    { id: 'flat', name: 'Flat', kind: 'flat', capHours: 650 },
    { id: 'monthly', name: 'Monthly', kind: 'flat' },
  ],
  prices: {
    ...SMALL_BOOK.prices,
    east: {
      ...SMALL_BOOK.prices.east!,
      sizes: {
        ...SMALL_BOOK.prices.east!.sizes,
        middle: {
          perHour: '0.2067',
          terms: {
            spot: { perHour: '0.07' },
            year: { perHour: '0.1302' },
            'year-part': { perHour: '0.05', upFront: '876' },
            'years-all': { upFront: '1800' },
          },
        },
        tenth: { perHour: '0.1' },
        free: { perHour: '0.02' },
        'by-second': { perSecond: '0.0000574' },
        cores: { perCoreHour: '0.018', perGiBHour: '0.0016' },
        choice: { perVcpuHour: '0.0275', perGiBHour: '0.0037' },
        flat: { terms: { flat: { perHour: '0.0132' }, monthly: { perMonth: '3.72' } } },
      },
      disks: {
        ...SMALL_BOOK.prices.east!.disks,
        bought: {
          perGiBMonth: '0.1',
          perExtraIopsMonth: '0.005',
          perExtraMegabytesPerSecondMonth: '0.04',
          perTenThousandOperations: '0.0005',
        },
      },
      memoryImagePerGiBMonth: '0.05',
      snapshotPerGiBMonth: '0.05',
      restorePerGiB: '0.02',
      trafficOut: [{ upToGiB: 100, perGiB: '0' }, { upToGiB: 1_000, perGiB: '0.09' }, { perGiB: '0.05' }],
    },
  },
}

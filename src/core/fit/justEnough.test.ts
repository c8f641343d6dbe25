import { describe, expect, test } from 'vitest'
import type { Size } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { gib } from '../quantity/units.ts'
import { OFFICE_WEEK, resolved } from '../testing/resolved.ts'
import { SMALL_BOOK } from '../testing/smallBook.ts'
import { fitReasons } from './fitReasons.ts'

const NOTHING = { vcpu: 0, memoryGiB: gib(0), iops: 0 }
const codes = (part: Partial<Machine>, book = SMALL_BOOK): string[] =>
  fitReasons(resolved(part, OFFICE_WEEK, book)).map(({ code }) => code)

const roomy = { kind: 'gib', roomGiB: gib(100) }

/** The last figure that is enough, and the first that is not. */
describe('what is just enough fits, and what is one short does not', () => {
  test.each<[string, Partial<Machine>, Partial<Machine>, string]>([
    ['vCPU', { needs: { ...NOTHING, vcpu: 4 } }, { needs: { ...NOTHING, vcpu: 5 } }, 'too-few-vcpu'],
    [
      'memory',
      { needs: { ...NOTHING, memoryGiB: gib(16) } },
      { needs: { ...NOTHING, memoryGiB: gib(16.5) } },
      'too-little-memory',
    ],
    [
      'IOPS of the size',
      { needs: { ...NOTHING, iops: 8_000 }, systemDisk: roomy },
      { needs: { ...NOTHING, iops: 8_001 }, systemDisk: roomy },
      'too-few-iops',
    ],
    [
      'IOPS of the disk',
      { needs: { ...NOTHING, iops: 2_660 }, systemDisk: { kind: 'steps', roomGiB: gib(128) } },
      { needs: { ...NOTHING, iops: 2_661 }, systemDisk: { kind: 'steps', roomGiB: gib(128) } },
      'too-few-iops',
    ],
    [
      'room for the memory when it hibernates',
      { size: 'middle', off: 'hibernated', systemDisk: { kind: 'gib', roomGiB: gib(22) } },
      { size: 'middle', off: 'hibernated', systemDisk: { kind: 'gib', roomGiB: gib(21.5) } },
      'no-room-for-memory',
    ],
    [
      'time to come back: 75 s',
      { off: 'deallocated', needs: { ...NOTHING, backWithinSeconds: 75 } },
      { off: 'deallocated', needs: { ...NOTHING, backWithinSeconds: 74 } },
      'back-too-late',
    ],
    [
      'room of the image: 40 GiB',
      { image: 'sealed', systemDisk: { kind: 'gib', roomGiB: gib(40) } },
      { image: 'sealed', systemDisk: { kind: 'gib', roomGiB: gib(39) } },
      'image-too-large',
    ],
  ])('%s', (_, enough, short, code) => {
    expect(codes(enough)).not.toContain(code)
    expect(codes(short)).toContain(code)
  })

  test('memory that may hibernate at the most', () => {
    const book = { ...SMALL_BOOK, hibernation: { mostMemoryGiB: gib(16) } }
    const less = { ...SMALL_BOOK, hibernation: { mostMemoryGiB: gib(15) } }
    const machine = { size: 'middle', off: 'hibernated', systemDisk: roomy } as const
    expect(codes(machine, book)).toEqual([])
    expect(codes(machine, less)).toHaveLength(1)
    expect(codes({ ...machine, off: 'stopped' }, less)).toEqual([])
  })

  test('memory that an image wants at the least', () => {
    const images = SMALL_BOOK.images.map((image) => ({
      ...image,
      least: { ...image.least!, memoryGiB: gib(16) },
    }))
    const machine = { needs: NOTHING, image: 'free' }
    expect(codes({ ...machine, size: 'middle' }, { ...SMALL_BOOK, images })).toEqual([])
    expect(codes({ ...machine, size: 'small' }, { ...SMALL_BOOK, images })).toEqual(['too-little-memory'])
  })

  test.each([
    [undefined, []],
    [0, []],
    [2, ['snapshots-not-sold-here']],
  ])('%j snapshots of one of two disks where none are sold', (kept, found) => {
    const [first, second] = [1, 2].map(() => ({ kind: 'steps', roomGiB: gib(32) }))
    const dataDisks = [
      {
        ...second!,
        ...(kept !== undefined && { snapshots: { every: 'day' as const, kept, changedPercent: 5 } }),
      },
    ]
    expect(codes({ needs: NOTHING, systemDisk: first!, dataDisks })).toEqual(found)
  })

  test('traffic out where none is sold, and none at all', () => {
    expect(codes({ trafficOutGiB: gib(0) })).toEqual([])
    expect(codes({ trafficOutGiB: gib(1) })).toEqual(['traffic-not-sold-here'])
  })

  test.each([
    [2, 4, true],
    [8, 16, true],
    [6, 10, true],
    [1, 4, false],
    [9, 16, false],
    [3, 4, false],
    [4, 17, false],
    [4, 5, false],
  ])(
    '%i vCPU and %i GiB of a free choice from 2 to 8 by 2 and from 4 to 16 by 2: %j',
    (vcpu, memory, fits) => {
      const choice: Size['choice'] = {
        vcpu: { least: 2, most: 8, step: 2 },
        memoryGiB: { least: 4, most: 16, step: 2 },
      }
      const sizes = SMALL_BOOK.sizes.map((size) => (size.id === 'middle' ? { ...size, choice } : size))
      const machine = { size: 'middle', needs: NOTHING, chosen: { vcpu, memoryGiB: gib(memory) } }
      expect(codes(machine, { ...SMALL_BOOK, sizes }).length === 0).toBe(fits)
    },
  )
})

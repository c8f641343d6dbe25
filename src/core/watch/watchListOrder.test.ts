import { describe, expect, test } from 'vitest'
import type { Machine } from '../machine/plan.ts'
import { gib } from '../quantity/units.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { EVERY_DAY, weekOf, windowsOn } from '../testing/weeks.ts'
import { findWatched, QUIET, watch } from '../testing/watched.ts'

describe('the list', () => {
  test('has the worst first, and of those the dearest', () => {
    const access = { inbound: [{ protocol: 'tcp', ports: { first: 22, last: 22 }, from: 'anyone' }] } as const
    const { open } = watch({ part: { off: 'stopped', access } })
    const order = ['problem', 'warning', 'note']
    const ranks = open.map(({ severity }) => order.indexOf(severity))
    expect(ranks).toEqual([...ranks].sort((a, b) => a - b))
    expect(open[0]?.key).toBe('port-open/22')
  })

  test('sets apart what is accepted, with its note', () => {
    const accepted = [{ finding: 'left-on', note: 'someone looks every evening' }]
    const list = watch({ part: { ...QUIET, accepted } })
    expect(list.open).toEqual([])
    expect(list.accepted).toMatchObject([{ key: 'left-on', note: 'someone looks every evening' }])
  })

  test('every mend leaves the finding behind', () => {
    const part: Partial<Machine> = {
      off: 'stopped',
      systemDisk: { kind: 'steps', roomGiB: gib(130) },
      access: {
        signIn: 'password',
        inbound: [{ protocol: 'tcp', ports: { first: 1, last: 65_535 }, from: 'anyone' }],
      },
    }
    let mended = 0
    for (const { key, mend } of watch({ part }).open) {
      if (!mend || key === 'floor-when-off' || key === 'more-room-than-needed') continue
      expect(watch({ part: mend.machine }).open.map((each) => each.key)).not.toContain(key)
      mended += 1
    }
    expect(mended).toBeGreaterThan(4)
  })

  test('a night is on for eight hours: a week of another shape is watched by its own gaps', () => {
    const week = weekOf('Europe/Lisbon', windowsOn(EVERY_DAY, '22:00-06:00'))
    expect(findWatched({ part: QUIET, week }, 'left-on')?.facts).toMatchObject({ gap: 16 * 3_600 })
  })
})

test('an auto-shutdown ends what someone leaves on', () => {
  const week = { ...OFFICE_WEEK, autoShutdown: { minute: 20 * 60, days: EVERY_DAY } }
  expect(findWatched({ part: QUIET, week }, 'left-on')).toBeUndefined()
})

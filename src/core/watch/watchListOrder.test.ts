import { describe, expect, test } from 'vitest'
import type { YearMonth } from '../calendar/yearMonth.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import { PlanPricing } from '../meter/planPricing.ts'
import { platesOf } from '../notches/plates.ts'
import { gib } from '../quantity/units.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { RULE_BOOK } from '../testing/ruleBook.ts'
import { SMALL_MACHINE } from '../testing/smallBook.ts'
import { EVERY_DAY, weekOf, windowsOn } from '../testing/weeks.ts'
import type { Finding } from './finding.ts'
import { watchList, type WatchList } from './watchList.ts'

interface Scene {
  readonly part?: Partial<Machine>
  readonly others?: readonly Machine[]
  readonly book?: PriceBook
  readonly more?: readonly PriceBook[]
  readonly week?: WeekPlan
  readonly reading?: 'calendar' | '730-hours'
}

/** The small machine, needed four hours a day unless said otherwise, watched as part of its plan in March 2027. */
function watch({
  part = {},
  others = [],
  book = RULE_BOOK,
  more = [],
  week = OFFICE_WEEK,
  reading = 'calendar',
}: Scene): WatchList {
  const machine: Machine = { ...SMALL_MACHINE, ...part }
  const plan: Plan = {
    name: 'watched',
    month: '2027-03' as YearMonth,
    weeks: [{ ...week, id: machine.week }],
    machines: [machine, ...others],
  }
  const pricing = new PlanPricing({ plan, books: [book, ...more], month: plan.month, reading })
  const priced = pricing.of(machine)
  if (!priced.ok) throw new Error(JSON.stringify(priced.issues))
  const { resolved, month, account, estimate } = priced
  const elsewhere = pricing.elsewhere(resolved.index)
  const inputs = { resolved, plan, month, shared: account.planned, elsewhere }
  return watchList({ ...inputs, plates: platesOf(inputs), estimate, machines: plan.machines })
}

const find = (scene: Scene, key: string): Finding | undefined =>
  watch(scene).open.find((finding) => finding.key === key)

const QUIET = { address: 'none', systemDisk: { kind: 'steps', roomGiB: gib(32), goes: true } } as const

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
    expect(find({ part: QUIET, week }, 'left-on')?.facts).toMatchObject({ gap: 16 * 3_600 })
  })
})

test('an auto-shutdown ends what someone leaves on', () => {
  const week = { ...OFFICE_WEEK, autoShutdown: { minute: 20 * 60, days: EVERY_DAY } }
  expect(find({ part: QUIET, week }, 'left-on')).toBeUndefined()
})

import { spawnSync } from 'node:child_process'
import { day, plan, run, script, switched, week } from '../testing/timersOf.ts'
import { describe, expect, test } from 'vitest'
import { instant } from '../../core/quantity/units.ts'
import { windowsOn, WORKDAYS } from '../../core/testing/weeks.ts'
import { SWITCH_ACTIONS } from '../../core/machine/switchActions.ts'
import { gapSteps } from '../../core/timers/switching.ts'
import { timerPlan } from '../../core/timers/timerPlan.ts'
import { transitionsOf } from '../../core/timers/transitions.ts'
import { applyNowScript } from './applyNowScript.ts'
import { exportSchedule, SCHEDULE_FORMATS } from './exportSchedule.ts'
import { powerScript } from './powerScript.ts'
import { ruleId } from './ruleId.ts'
import { scheduleFeed } from './scheduleFeed.ts'

describe('the script that timers call', () => {
  test('is a script for any POSIX shell', () => {
    const checked = spawnSync('sh', ['-n'], { input: script, encoding: 'utf8' })
    expect(checked.stderr).toBe('')
    expect(checked.status).toBe(0)
  })

  test('switches every machine by its own command, with its name as it is', () => {
    const { stdout, status } = run(script, '2027-03-18T08:00:00Z', 'on-0800')
    expect(stdout).toBe("start crew's; rm -rf $HOME `id`\nstart tile-cache\n")
    expect(status).toBe(0)
  })

  test('leaves a rule out on its dates off, in the zone of the week', () => {
    expect(run(script, '2027-03-19T08:00:00Z', 'on-0800').stdout).toBe('')
    expect(run(script, '2027-03-19T18:00:00Z', 'off-1800').stdout).toBe('')
    expect(run(script, '2027-03-22T18:00:00Z', 'off-1800').stdout).toContain('stop crew')
  })

  test('says what it wants when it is called without a rule, and fails when a command does', () => {
    const { status, stderr } = run(script, '2027-03-18T08:00:00Z')
    expect(status).toBe(2)
    expect(stderr).toContain('usage:')
    expect(run(script, '2027-03-22T18:00:00Z', 'off-1800').status).toBe(1)
  })

  test('a broken command breaks nothing else', () => {
    const broken = { ...switched, commands: { ...switched.commands, start: 'echo {machine} ) ;; esac' } }
    const { status, stdout } = run(powerScript(plan, broken), '2027-03-22T18:00:00Z', 'off-1800')
    expect(status).toBe(1)
    expect(stdout).toContain('stop crew')
  })
})

test('a machine with a first and a last day is switched on those alone', () => {
  const machines = [
    { ...switched.machines[1], firstDay: '2027-03-16', lastDay: '2027-03-18' },
    switched.machines[0],
  ]
  const commands = { start: 'echo {machine}', hibernate: 'echo {machine}', stop: 'echo {machine}' }
  const text = powerScript(plan, { ...switched, machines, commands })
  expect(run(text, '2027-03-15T08:00:00Z', 'due').stdout).not.toContain('tile-cache')
  expect(run(text, '2027-03-16T08:00:00Z', 'due').stdout).toContain('tile-cache\ncrew')
  expect(run(text, '2027-03-18T18:00:00Z', 'due').stdout).toContain('tile-cache')
  expect(run(text, '2027-03-22T08:00:00Z', 'due').stdout).toMatch(/^crew/)
  const { plan: cut } = exportSchedule({
    format: 'calendar', week, machines: machines.slice(0, 1), safetyNet: false, from: day('2027-03-01'), to: day('2027-04-30'), commands: {}, scriptPath: '/opt/x.sh', base: 'x', made: instant(1_800_000_000),
  }) // prettier-ignore
  expect([cut.from, cut.to]).toEqual([day('2027-03-16'), day('2027-03-18')])
})

test('apply now switches to what the plan has for the moment', () => {
  const now = applyNowScript(plan, transitionsOf(week, plan.within), switched)
  expect(run(now, '2027-03-22T12:00:00Z').stdout).toContain('start crew')
  expect(run(now, '2027-03-19T12:00:00Z').stdout).toContain('stop crew')
  // Lisbon is an hour ahead of UTC by then.
  expect(run(now, '2027-03-29T07:00:00Z').stdout).toContain('start crew')
  expect(run(now, '2027-03-29T06:59:00Z').stdout).toContain('stop crew')
  expect(run(now, '2028-01-01T12:00:00Z').status).toBe(3)
})

describe('gaps of several states', () => {
  const mixed = {
    title: 'Depot day',
    timeZone: 'Europe/Lisbon',
    machines: [
      {
        name: 'soak',
        region: 'porto',
        off: 'hibernated',
        longGaps: [{ fromMinutes: 2_280, off: 'deleted' }],
      },
      { name: 'lunch', region: 'porto', off: 'running', longGaps: [{ fromMinutes: 2_280, off: 'stopped' }] },
      { name: 'never', region: 'porto', off: 'running' },
    ],
    commands: { create: 'echo {action} {machine}', delete: 'echo {action} {machine}' },
  } as const
  const steps = gapSteps(mixed.machines)
  const long = timerPlan(week, day('2027-03-01'), day('2027-04-30'), 'days', { steps })
  const commands = Object.fromEntries(SWITCH_ACTIONS.map((action) => [action, 'echo {action} {machine}']))
  const text = powerScript(long, { ...mixed, commands })

  test('each switch does to each machine what its gap asks for', () => {
    expect(run(text, '2027-03-15T18:00:00Z', 'off-1800').stdout).toBe('hibernate soak\n')
    expect(run(text, '2027-03-12T18:00:00Z', 'off-1800-gap-38h').stdout).toBe('delete soak\nstop lunch\n')
    expect(run(text, '2027-03-15T08:00:00Z', 'on-0800-gap-38h').stdout).toBe('create soak\nstart lunch\n')
    expect(run(text, '2027-03-16T08:00:00Z', 'on-0800').stdout).toBe('start soak\n')
  })

  test('a holiday makes a night of two a long gap', () => {
    // 19 March is a Friday off: Thursday evening begins a gap of 86 hours.
    expect(run(text, '2027-03-18T18:00:00Z', 'off-1800').stdout).toBe('')
    expect(run(text, '2027-03-18T18:00:00Z', 'once-off-1800-gap-38h').stdout).toBe(
      'delete soak\nstop lunch\n',
    )
  })

  test('apply now leaves no machine off that is left on in the gap', () => {
    const switches = transitionsOf(
      week,
      { ...long.within, from: instant(long.within.from - 864_000) },
      { steps },
    )
    const now = applyNowScript(long, switches, { ...mixed, commands })
    expect(run(now, '2027-03-01T07:59:00Z').stdout).toBe('delete soak\nstop lunch\n')
    expect(run(now, '2027-03-01T08:00:00Z').stdout).toBe('create soak\nstart lunch\n')
    expect(run(now, '2027-03-01T20:00:00Z').stdout).toBe('hibernate soak\nstart lunch\n')
    expect(run(now, '2027-03-02T12:00:00Z').stdout).toBe('start soak\nstart lunch\n')
  })

  test('the feed says what each gap means, and which a switch is about', () => {
    const feed = JSON.parse(
      scheduleFeed(
        long,
        { title: 'Depot day', week },
        mixed.machines,
        transitionsOf(week, long.within, { steps }),
      ),
    )
    expect(feed.machines).toEqual([
      {
        name: 'soak', region: 'porto', on: 'start', off: 'hibernate',
        longGaps: [{ fromMinutes: 2_280, on: 'create', off: 'delete' }],
      },
      { name: 'lunch', region: 'porto', longGaps: [{ fromMinutes: 2_280, on: 'start', off: 'stop' }] },
    ]) // prettier-ignore
    expect(feed.switches[0]).toEqual({ at: '2027-03-01T08:00:00Z', to: 'on', gapFromMinutes: 2_280 })
    expect(feed.switches[1]).toEqual({ at: '2027-03-01T18:00:00Z', to: 'off' })
  })

  test('an export leaves out what switches nothing', () => {
    const inputs = {
      week, from: long.from, to: long.to, commands, scriptPath: '/opt/x.sh', base: 'x',
      made: instant(1_800_000_000), safetyNet: false,
    } // prettier-ignore
    const machines = [mixed.machines[1]]
    const exported = SCHEDULE_FORMATS.map((format) => exportSchedule({ ...inputs, format, machines }))
    for (const { plan: { rules } } of exported) expect(rules.map(({ gapFrom }) => gapFrom)).toEqual([2_280, 2_280]) // prettier-ignore
    const [calendar] = exported
    expect(calendar!.files[0]!.text).toContain('SUMMARY:Stop lunch')
  })
})

test('an auto-shutdown is a net under what is planned to be off', () => {
  const guarded = { ...week, autoShutdown: { minute: 22 * 60, days: [0, 1, 2, 3, 4, 5, 6] as const } }
  const net = timerPlan(guarded, day('2027-03-01'), day('2027-04-30'), 'days', { safetyNet: true })
  expect(net.rules.map(ruleId)).toEqual(['on-0800', 'off-1800', 'off-2200'])
  expect(net.rules[2]!.days).toEqual([0, 1, 2, 3, 4, 5, 6])
  const text = powerScript(net, switched)
  expect(run(text, '2027-03-20T22:00:00Z', 'off-2200').stdout).toContain('stop crew')
})

describe('an auto-shutdown with a state of its own', () => {
  const guarded = {
    ...week,
    windows: windowsOn(WORKDAYS, '08:00-23:00'),
    autoShutdown: { minute: 22 * 60, days: [0, 1, 2, 3] as const, off: 'deallocated' as const },
  }
  const machines = [
    { name: 'soak', region: 'porto', off: 'deleted', atShutdown: 'deallocated' },
    { name: 'unable', region: 'porto', off: 'hibernated' },
    { name: 'never', region: 'porto', off: 'running', atShutdown: 'deallocated' },
  ] as const
  const commands = Object.fromEntries(SWITCH_ACTIONS.map((action) => [action, 'echo {action} {machine}']))
  const inputs = {
    week: guarded, machines, commands, from: day('2027-03-01'), to: day('2027-03-31'), scriptPath: '/opt/x.sh',
    base: 'x', made: instant(1_800_000_000), safetyNet: true,
  } // prettier-ignore
  const textIn = (format: (typeof SCHEDULE_FORMATS)[number], name: string): string =>
    exportSchedule({ ...inputs, format }).files.find((file) => file.name === name)!.text

  test('does that to each machine whose provider has it, and brings it back from there', () => {
    const power = textIn('crontab', 'x.sh')
    expect(run(power, '2027-03-15T22:00:00Z', 'off-2200-shutdown').stdout).toBe(
      'deallocate soak\nhibernate unable\n',
    )
    expect(run(power, '2027-03-16T08:00:00Z', 'on-0800-shutdown').stdout).toBe('start soak\nstart unable\n')
    expect(run(power, '2027-03-12T23:00:00Z', 'off-2300').stdout).toBe('delete soak\nhibernate unable\n')
    expect(run(power, '2027-03-15T08:00:00Z', 'on-0800').stdout).toBe('create soak\nstart unable\n')
  })

  test('is what apply now finds in such a gap, while its net over other gaps is not', () => {
    const now = textIn('apply-now', 'x-now.sh')
    expect(run(now, '2027-03-15T22:30:00Z').stdout).toBe('deallocate soak\nhibernate unable\n')
    expect(run(now, '2027-03-13T22:30:00Z').stdout).toBe('delete soak\nhibernate unable\n')
  })

  test('is named in the feed and in a calendar of several machines', () => {
    const feed = JSON.parse(textIn('feed', 'x.schedule.json'))
    expect(feed.machines.map((machine: { autoShutdown?: unknown }) => machine.autoShutdown)).toEqual([
      { on: 'start', off: 'deallocate' },
      undefined,
    ])
    expect(feed.switches[1]).toEqual({ at: '2027-03-01T22:00:00Z', to: 'off', by: 'auto-shutdown' })
    expect(feed.switches.at(-1)).toEqual({ at: '2027-03-31T21:00:00Z', to: 'off', by: 'auto-shutdown' })
    expect(textIn('calendar', 'x.ics')).toContain('SUMMARY:Week: off\\, auto-shutdown')
  })
})

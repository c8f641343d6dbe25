import { spawnSync } from 'node:child_process'
import { chmodSync, mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parseDate, type DayNumber } from '../../core/calendar/civil.ts'
import { weekOf, windowsOn, WORKDAYS } from '../../core/testing/weeks.ts'
import { timerPlan } from '../../core/timers/timerPlan.ts'
import { powerScript } from '../timers/powerScript.ts'

export const day = (text: string): DayNumber => parseDate(text)!
export const week = weekOf('Europe/Lisbon', windowsOn(WORKDAYS, '08:00-18:00'), ['2027-03-19'])
export const plan = timerPlan(week, day('2027-03-01'), day('2027-04-30'), 'days')
export const switched = {
  title: 'Depot day',
  timeZone: 'Europe/Lisbon',
  machines: [
    { name: "crew's; rm -rf $HOME `id`", region: 'porto', off: 'stopped' },
    { name: 'tile-cache', region: 'porto', off: 'hibernated' },
    { name: 'soak', region: 'porto', off: 'running' },
  ],
  commands: {
    start: 'echo {action} {machine}',
    stop: 'echo {action} {machine}',
    hibernate: 'false {machine}',
  },
} as const
export const script = powerScript(plan, switched)

const folder = mkdtempSync(join(tmpdir(), 'timers-'))

/** Runs a script with a clock that stands still: `date` is asked for a format in a zone and answers with that time. */
export function run(text: string, at: string, ...args: string[]) {
  const file = join(folder, 'script.sh')
  writeFileSync(file, text)
  const clock = join(folder, 'date')
  writeFileSync(clock, `#!/bin/sh\nexec /bin/date -d '${at}' "$@"\n`)
  chmodSync(clock, 0o755)
  const env = { ...process.env, PATH: `${folder}:${process.env['PATH']}` }
  return spawnSync('sh', [file, ...args], { encoding: 'utf8', env })
}

// `npm run zones`: writes the time zone data that the project ships with, from Debian's tzdata package.
//
// A newer release: install it, set RELEASE to its name, run this, run the tests.
import { execFileSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './prepare.mjs'

const RELEASE = '2026f'
const FIRST_YEAR = 1990
const LAST_YEAR = 2110

const ZONEINFO = '/usr/share/zoneinfo'
const source = readFileSync(join(ZONEINFO, 'tzdata.zi'), 'utf8')
const found = /^# version (\S+)/.exec(source)?.[1]
if (found !== RELEASE) {
  console.error(`tzdata ${found} is installed, not ${RELEASE}: apt-get install tzdata, or set RELEASE to it.`)
  process.exit(1)
}

const lines = source.split('\n').map((line) => line.split(' '))
const zones = lines.flatMap(([kind, name]) => (kind === 'Z' ? [name] : []))
const links = lines.flatMap(([kind, target, name]) => (kind === 'L' ? [{ target, name }] : []))
const targetOf = new Map(links.map(({ target, name }) => [name, target]))
const canonical = (name) => {
  let at = name
  while (targetOf.has(at)) at = targetOf.get(at)
  return at
}

/** Names by what their clocks do from the first year on: zones that differ only before are one. */
const byClock = new Map()
for (const name of [...zones, ...targetOf.keys()].sort()) {
  const clock = packed(changesOf(canonical(name)))
  byClock.set(clock, [...(byClock.get(clock) ?? []), name])
}

const text = [...byClock].map(([clock, names]) => `${names.join(' ')}|${clock}`).join('\n')
const path = join(ROOT, 'src/core/calendar/zoneData.ts')
writeFileSync(
  path,
  `// Written by scripts/zones.mjs; not to be edited.\n
/** The release of the IANA time zone database that every estimate, screen and export goes by. */
export const ZONE_RELEASE = '${RELEASE}'

/** The years that it is laid out for. */
export const ZONE_YEARS = { first: ${FIRST_YEAR}, last: ${LAST_YEAR} } as const

/**
 * A line for each way in which clocks change: names, the offset at first, then each change, as minutes since the one
 * before (the first since 1970) and the minutes by which clocks go forward; numbers to base 36. A change like one of
 * the last 16 is one capital letter.
 */
export const ZONE_DATA = \`${text}\`
`,
)
console.log(`${byClock.size} clocks, ${zones.length + links.length} names, ${text.length} bytes: ${path}`)

/** [instant in seconds, offset in seconds], the first one at minus infinity. */
function changesOf(name) {
  const said = execFileSync('zdump', ['-i', '-c', `${FIRST_YEAR - 1},${LAST_YEAR + 2}`, name], {
    encoding: 'utf8',
  })
  const changes = []
  for (const line of said.trim().split('\n').slice(1)) {
    const [date, time, offsetText] = line.split('\t')
    const offset = secondsOf(offsetText)
    if (changes.length > 0 && changes.at(-1)[1] === offset) continue
    // The wall clock as it is after the change.
    const at =
      date === '-'
        ? -Infinity
        : Date.parse(`${date}T00:00Z`) / 1000 + secondsOf(`+${time.replaceAll(':', '')}`) - offset
    changes.push([at, offset])
  }
  return changes
}

function secondsOf(text) {
  const [, sign, hours, minutes = '00', seconds = '00'] = /^([+-])(\d\d)(\d\d)?(\d\d)?$/.exec(text)
  return (sign === '-' ? -1 : 1) * (Number(hours) * 3_600 + Number(minutes) * 60 + Number(seconds))
}

function packed(changes) {
  const start = Date.UTC(FIRST_YEAR - 1, 0, 1) / 1000
  let [, offset] = changes.findLast(([at]) => at < start) ?? changes[0]
  const parts = [inMinutes(offset)]
  let before = 0
  const recent = []
  for (const [at, next] of changes) {
    if (at < start) continue
    const part = `${inMinutes(at - before)},${inMinutes(next - offset)}`
    const known = recent.indexOf(part)
    parts.push(known >= 0 ? String.fromCharCode(65 + known) : part)
    if (known >= 0) recent.splice(known, 1)
    else if (recent.length === 16) recent.pop()
    recent.unshift(part)
    before = at
    offset = next
  }
  return parts.join(' ').replace(/(?<=[A-P]) (?=[A-P])/g, '')
}

function inMinutes(seconds) {
  if (seconds % 60 !== 0) throw new RangeError(`not whole minutes: ${seconds} s`)
  return (seconds / 60).toString(36)
}

import { spawn, type ChildProcessWithoutNullStreams } from 'node:child_process'
import { createInterface, type Interface } from 'node:readline'

const DONE = '-- done'

/**
 * A POSIX shell that runs scripts one after the other at times that it is told. What `date` shows is worked out here, in
 * each format and zone that exported scripts ask for, so that a month of asking every quarter of an hour takes seconds.
 */
export class SteppedShell {
  private readonly shell: ChildProcessWithoutNullStreams
  private readonly lines: Interface
  readonly said: string[] = []

  constructor(env: Readonly<Record<string, string>>) {
    this.shell = spawn('sh', [], { env: { ...process.env, ...env } })
    this.lines = createInterface(this.shell.stdout)
    this.shell.stderr.on('data', (data: Buffer) => this.said.push(String(data)))
    this.shell.stdin.write(`${DATE}\n`)
  }

  /** Runs a script as a scheduler would at that instant; `zone` is the one whose clock the script looks at. */
  async run(script: string, args: readonly string[], at: number, zone: string): Promise<void> {
    const shown = (timeZone: string): string[] => {
      const parts = partsAt(timeZone, at)
      return [parts.date, parts.clock, parts.weekday]
    }
    const values = [...shown(zone), ...shown('UTC')].map((value) => `'${value}'`).join(' ')
    this.shell.stdin.write(
      `NOW=${values.replaceAll("' '", ' ')}; ( set -- ${args.join(' ')}; . '${script}' ) ; echo '${DONE}'\n`,
    )
    await new Promise<void>((resolve) => {
      const listen = (line: string): void => {
        if (line !== DONE) return
        this.lines.off('line', listen)
        resolve()
      }
      this.lines.on('line', listen)
    })
  }

  close(): void {
    this.shell.stdin.end()
  }
}

/** Fields of NOW: date, clock and weekday of the week’s zone, then of UTC. */
const DATE = `
date() {
  format="$1"
  if [ "\${TZ-}" = UTC ]; then set -- $NOW; shift 3; else set -- $NOW; fi
  case "$format" in
    '+%u %H%M') echo "$3 $2" ;;
    '+%Y-%m-%d %H%M') echo "$1 $2" ;;
    '+%Y%m%d%H%M') echo "$(echo "$1" | tr -d -)$2" ;;
    '+%Y%m%d') echo "$1" | tr -d - ;;
    '+%Y-%m-%d') echo "$1" ;;
    *) echo "date: $format is not known" >&2; return 1 ;;
  esac
}`

interface Shown {
  readonly date: string
  readonly clock: string
  readonly weekday: string
}

function partsAt(timeZone: string, at: number): Shown {
  const format = new Intl.DateTimeFormat('en-CA', {
    timeZone,
    hourCycle: 'h23',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    weekday: 'short',
  })
  const parts = new Map(format.formatToParts(at * 1_000).map(({ type, value }) => [type, value]))
  const weekday = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'].indexOf(parts.get('weekday')!) + 1
  return {
    date: `${parts.get('year')}-${parts.get('month')}-${parts.get('day')}`,
    clock: `${parts.get('hour')}${parts.get('minute')}`,
    weekday: String(weekday),
  }
}

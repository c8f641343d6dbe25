import { factsToCheck } from '../../core/fit/factsToCheck.ts'
import { factToCheckText } from '../../wording/factToCheck'
import { shutdownState } from '../../core/catalogue/statesSold.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import type { Charge } from '../../core/meter/charge.ts'
import { hourByState, hourCharges } from '../../core/meter/hourByState.ts'
import { leftBehind } from '../../core/meter/leftBehind.ts'
import type { Access } from '../../core/machine/access.ts'
import { disksOf, type ResolvedMachine } from '../../core/machine/resolveMachine.ts'
import { isNeverOff, offPlanOf } from '../../core/off/offPlan.ts'
import { add, ZERO, type Exact } from '../../core/quantity/exact.ts'
import { roundParts } from '../../core/quantity/roundParts.ts'
import type { Checklist, Sheet, SheetLine } from '../../files/handoff/sheet.ts'
import { formatClockTime } from '../../files/reading/clockTime.ts'
import { diskName } from '../../wording/charge'
import { formatAmount, formatMoney, HOURLY_PLACES, SHOWN_DECIMALS } from '../../wording/money'
import { offPlanText } from '../../wording/offPlan'
import { OFF_NAMES, STATE_NAMES } from '../../wording/state'
import { formatHours, formatMonth, shortDay } from '../../wording/time'
import { weekText } from '../../wording/week'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { apartLines } from './apartLines.ts'
import { portsText } from './portsText.ts'
import { formatNumber, groupDigits } from '../../wording/number'
import { markedProvider } from '../../wording/providerName'

/** What a charge is put beside: the line on which it is decided. */
type LineKey = 'size' | 'image' | `disk-${number}` | `snapshots-${number}` | 'address' | 'traffic' | 'off'

function lineOf({ subject }: Charge): LineKey {
  switch (subject.of) {
    case 'size':
    case 'up-front':
    case 'minimum':
      return 'size'
    case 'licence':
      return 'image'
    case 'disk':
    case 'disk-iops':
    case 'disk-throughput':
    case 'disk-operations':
      return `disk-${subject.position}`
    case 'snapshots':
      return `snapshots-${subject.position}`
    case 'address':
      return 'address'
    case 'traffic':
      return 'traffic'
    case 'memory':
    case 'restore':
      return 'off'
  }
}

function byLine(charges: readonly Charge[]): Map<LineKey, Exact> {
  const sums = new Map<LineKey, Exact>()
  for (const charge of charges) {
    const key = lineOf(charge)
    sums.set(key, add(sums.get(key) ?? ZERO, charge.amount))
  }
  return sums
}

/** Shown amounts by line, which add up to the shown total. */
function shown(sums: ReadonlyMap<LineKey, Exact>, decimals: number): ReadonlyMap<LineKey, string> {
  const { parts } = roundParts([...sums.values()], decimals)
  return new Map([...sums.keys()].map((key, i) => [key, groupDigits(parts[i]!)]))
}

const gib = (amount: number): string => `${formatNumber(amount)} GiB`

/** What is left open without a key, so that it can be closed before the machine is created. */
const keyMissing = ({ administrator, signIn }: Access): string =>
  administrator !== undefined && signIn !== 'password'
    ? 'missing: until it is given, the user data makes no account and leaves the image’s own as it is'
    : 'not given'

/** All that is needed to create a machine, in the order in which it is asked for, with what each part costs. */
export function buildSheet(
  { resolved, estimate, month }: PricedMachine,
  asked: YearMonth,
  hostName: string,
): Sheet {
  const { machine, index, size, region, image, terms, week } = resolved
  const { book } = index
  const shutdown = shutdownState(week, book)
  const hourly = hourCharges(resolved, 'running', month)
  const [months, hours] = [
    shown(byLine(estimate.charges), SHOWN_DECIMALS),
    shown(byLine(hourly), HOURLY_PLACES),
  ]
  const line = (ask: string, answer: string, key?: LineKey): SheetLine => {
    const [perHour, perMonth] = key ? [hours.get(key), months.get(key)] : []
    return {
      ask,
      answer,
      ...(perHour !== undefined && { perHour }),
      ...(perMonth !== undefined && { perMonth }),
    }
  }
  const { access = {}, setup = {}, tags = {}, costCentre } = machine
  const hour = hourly.reduce((sum, { amount }) => add(sum, amount), ZERO)
  return {
    title: machine.name,
    about: [
      machine.purpose,
      `Prices of ${markedProvider(book)}, edition ${book.edition}, for ${formatMonth(asked)}`,
    ]
      .filter(Boolean)
      .join('. '),
    currency: estimate.currency,
    sections: [
      {
        title: 'Where and what',
        lines: [
          line('Provider', markedProvider(book)),
          line('Region', [region.region.name, region.region.country].filter(Boolean).join(', ')),
          line('Zone', machine.zone),
          ...apartLines(resolved).map(([ask, answer]) => line(ask, answer)),
          line('Name', hostName),
          line('Image', `${image.name}${machine.ownLicence ? ', own licence' : ''}`, 'image'),
          line(
            'Size',
            `${size.name}: ${size.vcpu} vCPU, ${gib(size.memoryGiB)}, ${size.architecture ?? 'architecture not said'}`,
            'size',
          ),
          line('Terms', terms.name),
        ],
      },
      {
        title: 'Sign-in',
        lines: [
          line('Administrator', access.administrator ?? 'the image’s own account'),
          line('Signs in by', access.signIn ?? 'not said'),
          line('Public key', setup.publicKey ?? keyMissing(access)),
        ],
      },
      { title: 'Disks', lines: diskLines(resolved, line) },
      {
        title: 'Network',
        lines: [
          line('Public address', ADDRESS_TEXT[machine.address], 'address'),
          ...(access.inbound ?? []).map((rule) => line('May come in', portsText(rule))),
          ...(access.inbound?.length ? [] : [line('May come in', 'nothing')]),
          ...(machine.trafficOutGiB === undefined
            ? []
            : [line('Traffic out', `${gib(machine.trafficOutGiB)} expected`, 'traffic')]),
        ],
      },
      {
        title: 'On and off',
        lines: [
          line('Week plan', `${week.name}, ${week.timeZone}: ${weekText(week)}`),
          line('When off', offPlanText(offPlanOf(machine)), 'off'),
          ...(week.autoShutdown
            ? [
                line(
                  'Auto-shutdown',
                  `${formatClockTime(week.autoShutdown.minute)} ${week.autoShutdown.timeZone ?? week.timeZone}, ` +
                    week.autoShutdown.days.map(shortDay).join(', ') +
                    (shutdown ? `, into ${STATE_NAMES[shutdown].toLowerCase()}` : ''),
                ),
              ]
            : []),
        ],
      },
      ...(Object.keys(tags).length > 0 || costCentre !== undefined
        ? [
            {
              title: 'Tags',
              lines: [
                ...Object.entries(tags).map(([key, value]) => line(key, value)),
                ...(costCentre === undefined ? [] : [line('Cost centre', costCentre)]),
              ],
            },
          ]
        : []),
    ],
    total: { perHour: formatAmount(hour, HOURLY_PLACES), perMonth: formatAmount(estimate.total) },
    checklists: checklistsOf(resolved, hour, { resolved, estimate, month }),
  }
}

const ADDRESS_TEXT = { none: 'none', changing: 'one that can change', fixed: 'a fixed one' } as const

function diskLines(
  resolved: ResolvedMachine,
  line: (ask: string, answer: string, key?: LineKey) => SheetLine,
): SheetLine[] {
  return disksOf(resolved).flatMap(({ position, disk, kind }) => {
    const extras = [
      disk.extraIops ? `${formatNumber(disk.extraIops)} IOPS on top` : '',
      disk.extraMegabytesPerSecond ? `${disk.extraMegabytesPerSecond} MB/s on top` : '',
      disk.goes ? 'deleted with the machine' : 'stays when the machine is deleted',
    ].filter(Boolean)
    const own = line(
      diskName(position),
      [`${kind.name}, ${gib(disk.roomGiB)}`, ...extras].join(', '),
      `disk-${position}`,
    )
    if (!disk.snapshots) return [own]
    const { every, kept } = disk.snapshots
    const when = every === 'stop' ? 'each stop' : `every ${every}`
    return [own, line(`${diskName(position)}, snapshots`, `${when}, ${kept} kept`, `snapshots-${position}`)]
  })
}

function checklistsOf(
  resolved: ResolvedMachine,
  hour: Exact,
  { estimate, month }: Pick<PricedMachine, 'resolved' | 'estimate' | 'month'>,
): Checklist[] {
  const { machine, region } = resolved
  const { currency } = estimate
  const perHour = formatMoney(hour, currency, HOURLY_PLACES)
  const off = hourByState(resolved, month).find(({ state }) => state === machine.off)
  const left = leftBehind(resolved, month)
  return [
    {
      title: 'Creating',
      items: [
        `Create it in ${region.region.name}, zone ${machine.zone}; one zone only, so that one machine is bought`,
        'Answer the lines above from top to bottom',
        ...factsToCheck(resolved).map((fact) => `Look up ${factToCheckText(fact)}`),
        `Read the hourly price before you agree: ${perHour} is planned while it runs, disks and address included`,
        'Give the user data of this sheet where the provider asks for it',
      ],
    },
    {
      title: 'Checking',
      items: [
        `Is the hourly price the one planned, ${perHour}?`,
        'Does the administrator sign in, and nobody by password alone?',
        'Do only the ports above answer from outside?',
        ...(isNeverOff(machine)
          ? []
          : [
              `Switch it off once: is it ${OFF_NAMES[machine.off].toLowerCase()}` +
                (off ? `, at ${formatMoney(off.amount, currency, HOURLY_PLACES)} an hour?` : '?'),
              'Are the timers of its week installed, and did one start and one stop happen by themselves?',
            ]),
        `After a day: does the bill agree with ${formatHours(estimate.onTime)} on a month and ${formatMoney(estimate.total, currency)}?`,
      ],
    },
    {
      title: 'Cleaning up',
      items: [
        'Delete its timers first, so that nothing starts it again',
        'Delete the machine',
        ...(left
          ? [
              `Delete ${left.parts.map((part) => LEFT_TEXT[part]).join(', ')}: left there, that would cost ${formatMoney(left.perMonth, currency)} a month`,
            ]
          : ['Look that no disk, address or snapshot is left']),
        'Look at the next bill: nothing of it may be on it',
      ],
    },
  ]
}

const LEFT_TEXT = {
  disks: 'the disks that stay',
  address: 'the address',
  snapshots: 'the snapshots',
} as const

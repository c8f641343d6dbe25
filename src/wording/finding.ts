import type { Finding, FindingFacts, Severity } from '../core/watch/finding.ts'
import type { NameProblem } from '../core/machine/accessProblems.ts'
import type { ResolvedMachine } from '../core/machine/resolveMachine.ts'
import { toNumber } from '../core/quantity/exact.ts'
import { diskName } from './charge'
import { choiceWords, decisionName } from './choice'
import { factToCheckText } from './factToCheck'
import { formatMoney, HOURLY_PLACES, signedMoney } from './money'
import { reasonsText } from './reason'
import { STATE_NAMES } from './state'
import { formatClockTime } from '../files/reading/clockTime.ts'
import { formatDuration, formatHours, formatInstantIn, shortDay } from './time'
import { formatNumber } from './number'

export const SEVERITY_NAMES = {
  problem: 'Problem',
  warning: 'Warning',
  note: 'Note',
} as const satisfies Record<Severity, string>

const listed = (names: readonly string[]): string =>
  names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}` : (names[0] ?? '')

const QUOTA_NAMES = { vcpu: 'vCPU', machines: 'machines', fixedAddresses: 'fixed addresses' } as const

export function nameProblemText(problem: NameProblem): string {
  switch (problem.code) {
    case 'too-long':
      return `is longer than ${problem.most} characters`
    case 'characters':
      return problem.allowed === 'host'
        ? 'may have letters, digits and inner hyphens only'
        : problem.allowed === 'unix'
          ? 'may have small letters, digits, - and _ only, and begins with a letter or _'
          : 'may have none of " / \\ [ ] : ; | = , + * ? < > @, and no dot at its end'
    case 'only-digits':
      return 'may not be digits only'
    case 'reserved':
      return 'is reserved: the image has an account of that name, or takes none'
  }
}

interface FindingWords {
  readonly currency: string
  /** Of the machine's week. */
  readonly timeZone: string
}

const snapshotsStay = (parts: readonly string[]): string =>
  parts.includes('snapshots') ? ' Snapshots stay also where their disk went with the machine.' : ''

/** What was found, in a sentence with its figures. */
export function findingText(facts: FindingFacts, { currency, timeZone }: FindingWords): string {
  switch (facts.code) {
    case 'off-still-charged': {
      const rate = formatMoney(facts.perHour, currency, HOURLY_PLACES)
      const off = STATE_NAMES[facts.state].toLowerCase()
      return facts.isFlat
        ? `A flat plan is charged while ${off} too: ${rate} an hour until the machine is deleted.`
        : `${STATE_NAMES[facts.state]} is not free: the hardware is kept and charged at ${rate} an hour.`
    }
    case 'floor-when-off':
      return `Off all month it would still cost ${formatMoney(facts.floor, currency)}, ${formatNumber(facts.share * 100, 0)} % of what it costs now; its largest disk has ${formatNumber(facts.diskGiB, 0)} GiB.`
    case 'rate-out-of-line':
      return `${facts.size} costs ${formatMoney(facts.perHour, currency, HOURLY_PLACES)} an hour, for each vCPU ${timesText(facts.factor)} what ${facts.family} sizes cost: look for a slipped decimal in the price book.`
    case 'shared-allowance':
      return `${facts.allowance} is one pool for ${listed(facts.machines)}: it is used up on ${formatInstantIn(facts.usedUpAt, timeZone)}.`
    case 'left-after-delete':
      return `Deleted, it leaves its ${listed(facts.parts)} behind, and ${facts.parts.length === 1 && facts.parts[0] === 'address' ? 'it is' : 'they are'} charged on.${snapshotsStay(facts.parts)}`
    case 'never-starts':
      return `“${facts.week}” has no hours: it goes off, and nothing starts it again.`
    case 'never-off':
      return `It is needed in “${facts.week}”, and runs through the other ${formatHours(facts.offHours)} of the month too.`
    case 'left-on':
      return `Nothing switches it off again if someone starts it by hand: forgotten for ${formatHours(facts.gap)}, its longest time off, it costs ${formatMoney(facts.cost, currency)}.`
    case 'does-not-fit':
      return `It does not fit: ${reasonsText([facts.reason])}.`
    case 'to-check':
      return `To check, since the price book does not say: ${factToCheckText(facts.fact)}.`
    case 'same-in-several-zones':
      return `${listed(facts.machines)} ${facts.machines.length === 1 ? 'is' : 'are'} the same machine in another zone: each zone is a machine of its own, and is charged.`
    case 'port-open':
      return `Port ${facts.port}, remote sign-in, is open to every address in the world.`
    case 'name-not-taken':
      return `The ${facts.field === 'hostName' ? 'machine’s own name' : 'administrator’s name'} “${facts.name}” ${nameProblemText(facts.problem)} (${facts.image}).`
    case 'name-guessable':
      return `The administrator’s name “${facts.name}” is among those that whoever guesses tries first.`
    case 'rule-without-address':
      return `${facts.rules.length === 1 ? `Rule ${facts.rules[0]!} lets` : `Rules ${listed(facts.rules.map(String))} let`} public addresses in, and it has no public address: nobody from outside reaches it.`
    case 'left-behind':
      return `It is gone since the end of ${facts.since}, and its ${listed(facts.parts)} ${facts.parts.length === 1 && facts.parts[0] === 'address' ? 'is' : 'are'} charged on: delete what is left at the provider, then say that it is all gone.${snapshotsStay(facts.parts)}`
    case 'window-cut-short': {
      const { window, left, planned, times } = facts
      const when = `${shortDay(window.day)} ${formatClockTime(window.from)} to ${formatClockTime(window.to)}`
      return `The auto-shutdown leaves ${formatDuration(left)} of the ${formatDuration(planned)} of “${when}”, ${formatNumber(times, 0)} ${times === 1 ? 'time' : 'times'} this month; nothing starts it again.`
    }
    case 'password-only':
      return 'Sign-in is by password: one that is guessed lets anyone in.'
    case 'address-changes':
      return `Its address changes ${formatNumber(facts.times, 0)} times a month, each time that it comes back: names and firewall rules that point to it break.`
    case 'just-above-step':
      return `${diskName(facts.position)}: ${formatNumber(facts.asked)} GiB is just above a step, and ${formatNumber(facts.charged)} GiB are charged; ${formatNumber(facts.below)} GiB is the step below.`
    case 'more-room-than-needed':
      return `The system disk has ${formatNumber(facts.room)} GiB; image and memory need ${formatNumber(facts.needed, 2)}.`
    case 'currency-without-rate':
      return `Prices in ${facts.from} cannot be set against ${facts.to} without a rate: enter one under Plan.`
    case 'printed-month':
      return `Read as printed lists do, a month is 730 h; this one has ${formatNumber(facts.hours, 0)} h. Never set one beside the other.`
    case 'old-prices':
      return `Prices are of ${facts.provider}’s edition ${facts.edition}, valid since ${facts.since}: ${formatNumber(facts.months)} months before this one. Look whether there is a newer one.`
    case 'sold-by-cores':
      return `${facts.size} is sold by ${formatNumber(facts.cores)} physical cores, which are ${formatNumber(facts.vcpu)} vCPU: compare it by vCPU.`
    case 'over-quota':
      return `${facts.provider} lets an account have ${formatNumber(facts.most)} ${QUOTA_NAMES[facts.what]}; the plan’s machines there have ${formatNumber(facts.used)}.`
    case 'throttled':
      return facts.figure === 'iops'
        ? `The disks could give ${formatNumber(facts.given, 0)} IOPS, ${facts.size} passes ${formatNumber(facts.reached, 0)}.`
        : `The disks could give ${formatNumber(facts.given, 0)} MB/s, ${facts.size} passes ${formatNumber(facts.reached, 0)}.`
    case 'shared-core':
      return `${facts.size} shares its core: it is fast on what it earned while idle${facts.starts > 0 ? `, and starts anew after each of its ${formatNumber(facts.starts, 0)} starts` : ''}.`
  }
}

const timesText = (factor: number): string =>
  factor >= 1 ? `${factor.toFixed(1)} times` : `one ${(1 / factor).toFixed(1)}th of`

/** What the one press that mends it does. */
export function mendText({ facts, mend }: Finding, resolved: ResolvedMachine): string | undefined {
  if (!mend) return undefined
  const cost = mend.difference && toNumber(mend.difference) !== 0 ? ` ${signedMoney(mend.difference)}` : ''
  if (mend.choice) {
    const { name } = choiceWords({ choice: mend.choice }, resolved)
    return `${decisionName(mend.choice.decision)}: ${name}${cost}`
  }
  switch (facts.code) {
    case 'left-after-delete':
      return facts.parts.length === 1 && facts.parts[0] === 'address'
        ? 'Let the address go with it'
        : 'Let them go with it'
    case 'port-open':
      return `Let in its own network alone on ${facts.port}`
    case 'password-only':
      return 'Sign in by key'
    case 'does-not-fit':
      return `Take the nearest that fits${cost}`
    default:
      return `Mend it${cost}`
  }
}

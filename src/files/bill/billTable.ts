import { CHARGE_CATEGORIES, type BillLine } from '../../core/bill/billLine.ts'
import { toDecimal } from '../../core/quantity/decimal.ts'
import { add, compare, negate, sign, ZERO, type Exact } from '../../core/quantity/exact.ts'
import { asOneLine } from '../reading/oneLine.ts'
import type { BillReading } from './readBill.ts'
import type { BillTrouble, BillTroubleCode } from './billTrouble.ts'

const MOST_SHOWN = 20

/** After “12 rows”; one row has, several have. */
const TROUBLE_TEXTS = {
  'short-row': 'too few cells: the file may be cut off',
  'bad-time': 'no charge period',
  'bad-cost': 'no cost',
  'bad-quantity': 'a quantity that is no number',
  'no-currency': 'no currency',
  'unknown-category': 'a charge category that FOCUS does not know',
  'bad-tags': 'tags that are no JSON object',
  'bad-details': 'price details that are no JSON object',
  'unknown-unit': 'a unit that FOCUS does not write so',
  'over-a-day': 'more time used than their charge period has',
  'negative-usage': 'less than nothing used',
} as const satisfies Record<BillTroubleCode, string>

/** A trouble as one line: how many rows, what, where first. */
export const troubleLine = ({ code, rows, isLeftOut, file, row, text }: BillTrouble): string =>
  `${rows} ${rows === 1 ? 'row has' : 'rows have'} ${TROUBLE_TEXTS[code]}${isLeftOut ? `, and ${rows === 1 ? 'is' : 'are'} left out` : ''}: ${file}, row ${row}${rows === 1 ? '' : ' first'}${text === '' ? '' : ` (${text})`}.`

interface Sum {
  readonly name: string
  readonly currency: string
  readonly amount: Exact
}

/** What a bill holds, for people: by category, then the dearest resources, then what was left out. To the cent. */
export function billTable({ files, rows, used, lines, leftOut, troubles }: BillReading): string {
  const byCategory = CHARGE_CATEGORIES.flatMap((category) => [
    ...sumsBy(
      lines.filter((line) => line.category === category && !line.isCorrection),
      () => category,
    ),
    ...sumsBy(
      lines.filter((line) => line.category === category && line.isCorrection),
      () => `${category}, corrections of earlier periods`,
    ),
  ])
  const resources = sumsBy(
    lines.filter(({ category, isCorrection }) => category === 'usage' && !isCorrection),
    ({ resourceName, resourceId }) => resourceName || resourceId || 'without a resource',
  ).sort((a, b) => compare(size(b.amount), size(a.amount)))
  const days = lines.map(({ day }) => day).sort()
  const period =
    days.length > 0
      ? `, ${days[0]!} to ${lines
          .map(({ lastDay }) => lastDay)
          .sort()
          .at(-1)!}`
      : ''
  const repeated = files.filter(({ isRepeated }) => isRepeated)
  return [
    `${rows} rows, ${used} about machines, ${lines.length} lines${period}`,
    ...repeated.map(({ name }) => `${name} is there twice and counted once`),
    '',
    ...table(byCategory),
    '',
    ...table(resources.slice(0, MOST_SHOWN)),
    ...(resources.length > MOST_SHOWN ? [`and ${resources.length - MOST_SHOWN} more`] : []),
    ...(leftOut.length > 0
      ? [
          '',
          'left out, about no machines:',
          ...table(
            leftOut.map(({ service, currency, effective }) => ({
              name: service,
              currency,
              amount: effective,
            })),
          ),
        ]
      : []),
    ...(troubles.length > 0 ? ['', ...troubles.map(troubleLine)] : []),
    '',
  ].join('\n')
}

const size = (amount: Exact): Exact => (sign(amount) < 0 ? negate(amount) : amount)

function sumsBy(lines: readonly BillLine[], nameOf: (line: BillLine) => string): Sum[] {
  const sums = new Map<string, Sum>()
  for (const line of lines) {
    const name = nameOf(line)
    const key = `${line.currency} ${name}`
    const { currency } = line
    sums.set(key, { name, currency, amount: add(sums.get(key)?.amount ?? ZERO, line.effective) })
  }
  return [...sums.values()]
}

function table(sums: readonly Sum[]): string[] {
  const cells = sums.map(
    ({ name, currency, amount }) => [asOneLine(name, 200), toDecimal(amount, 2), currency] as const,
  )
  const [names, amounts] = [0, 1].map((at) => Math.max(0, ...cells.map((row) => row[at]!.length)))
  return cells.map(
    ([name, amount, currency]) => `${name.padEnd(names!)}  ${amount.padStart(amounts!)}  ${currency}`,
  )
}

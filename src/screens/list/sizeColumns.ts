import type { Size } from '../../core/catalogue/priceBook.ts'
import { sizeRates } from '../../core/catalogue/sizeRates.ts'
import type { CellValue } from '../../core/notches/listColumn.ts'
import { alwaysOnTotal, perUnit, resolvedWith, sizeHour } from '../../core/notches/choiceFigures.ts'
import type { Notch, PlatesInputs } from '../../core/notches/plate.ts'
import type { Exact } from '../../core/quantity/exact.ts'
import { formatAmount, HOURLY_PLACES } from '../../wording/money'
import { NOT_KNOWN } from '../../wording/notKnown'
import type { ShownColumn } from './listColumns.ts'
import { formatNumber } from '../../wording/number'

type SizeOf = (notch: Notch) => Size

/** All that is to be known of sizes, and what they cost under this machine's own schedule and always on. */
export function sizeColumns(inputs: PlatesInputs): ShownColumn[] {
  const { index } = inputs.resolved
  const sizes = new Map<string, Size>()
  const sizeOf: SizeOf = (notch) => {
    let size = sizes.get(notch.key)
    if (!size) sizes.set(notch.key, (size = resolvedWith(inputs, notch).size))
    return size
  }
  const families = new Map(index.book.families.map(({ id, name }) => [id, name]))
  const spot = index.book.terms.find(({ kind }) => kind === 'spot')
  const { region } = inputs.resolved
  const alwaysOn = new Map<string, Exact | undefined>()
  const alwaysOnOf = (notch: Notch): Exact | undefined => {
    if (!notch.total) return undefined
    if (!alwaysOn.has(notch.key)) {
      alwaysOn.set(notch.key, alwaysOnTotal(inputs, resolvedWith(inputs, notch)))
    }
    return alwaysOn.get(notch.key)
  }
  const isOnSpot = (size: Size): boolean => !!spot && sizeRates(region, size.id, spot) !== undefined
  return [
    figure('vcpu', 'vCPU', 50, sizeOf, ({ vcpu }) => vcpu),
    figure('memory', 'GiB', 56, sizeOf, ({ memoryGiB }) => memoryGiB),
    words('architecture', 'built as', 66, sizeOf, ({ architecture }) => architecture ?? NOT_KNOWN),
    words('family', 'family', 76, sizeOf, ({ family }) => families.get(family) ?? family),
    figure('generation', 'gen.', 40, sizeOf, ({ generation }) => generation),
    money('running', 'an hour on', 78, HOURLY_PLACES, (notch) => sizeHour(inputs.resolved, sizeOf(notch))),
    money('always', 'always on', 78, 2, alwaysOnOf),
    money('per-vcpu', 'a vCPU', 66, 2, (notch) => perUnit(notch.total, sizeOf(notch).vcpu)),
    money('per-gib', 'a GiB', 62, 2, (notch) => perUnit(notch.total, sizeOf(notch).memoryGiB)),
    figure('local', 'own disk GiB', 86, sizeOf, ({ localDiskGiB }) => localDiskGiB),
    figure('disks', 'disks', 46, sizeOf, ({ mostDisks }) => mostDisks, NOT_KNOWN),
    figure('iops', 'IOPS', 66, sizeOf, ({ iops }) => iops, NOT_KNOWN),
    figure('throughput', 'MB/s', 58, sizeOf, ({ megabytesPerSecond }) => megabytesPerSecond, NOT_KNOWN),
    figure(
      'network',
      'Mbit/s out',
      78,
      sizeOf,
      ({ networkMegabitsPerSecond }) => networkMegabitsPerSecond,
      NOT_KNOWN,
    ),
    words('hibernates', 'hibernates', 76, sizeOf, ({ hibernation }) =>
      hibernation === undefined ? NOT_KNOWN : hibernation ? 'yes' : 'no',
    ),
    words('spot', 'on spot', 56, sizeOf, (size) => (isOnSpot(size) ? 'yes' : 'no')),
    words('accelerator', 'accelerator', 120, sizeOf, ({ accelerator }) =>
      accelerator ? `${accelerator.count} ${accelerator.name}, ${accelerator.memoryGiB} GiB` : '',
    ),
  ]
}

function figure(
  id: string,
  head: string,
  width: number,
  sizeOf: SizeOf,
  value: (size: Size) => number | undefined,
  absent = '',
): ShownColumn {
  return {
    id,
    head,
    width,
    kind: 'number',
    valueOf: (notch): CellValue => value(sizeOf(notch)),
    textOf: (notch) => {
      const found = value(sizeOf(notch))
      return found === undefined ? absent : formatNumber(found)
    },
  }
}

function words(
  id: string,
  head: string,
  width: number,
  sizeOf: SizeOf,
  value: (size: Size) => string,
): ShownColumn {
  const textOf = (notch: Notch): string => value(sizeOf(notch))
  return { id, head, width, kind: 'text', valueOf: textOf, textOf }
}

function money(
  id: string,
  head: string,
  width: number,
  places: number,
  value: (notch: Notch) => Exact | undefined,
): ShownColumn {
  return {
    id,
    head,
    width,
    kind: 'money',
    valueOf: value,
    textOf: (notch) => {
      const found = value(notch)
      return found ? formatAmount(found, places) : ''
    },
  }
}

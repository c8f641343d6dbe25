import type { BillLine } from '../bill/billLine.ts'
import { detailNumber, detailText } from '../bill/detail.ts'
import { add, divide, isZero, multiply, ZERO, type Exact } from '../quantity/exact.ts'
import type { Seconds } from '../quantity/units.ts'
import { measured } from '../reconcile/measured.ts'
import type { BilledMachine } from './billedMachines.ts'

/** A disk as a bill has it. */
interface DiskOfBill {
  /** Of its kind. */
  readonly name: string
  readonly roomGiB: number
  /** Whether the bill says how much room it has. */
  readonly isSaid: boolean
  /** GiB for the part of the month in which it was there. */
  readonly units: Exact
  readonly own: readonly BillLine[]
}

const SECONDS_PER_DAY = 86_400
const MOST_ROOM = 65_536
const UNSAID_ROOM = 32

/** Each resource is a disk; how much room it has is what it says, or what it was charged for. `month` is the whole one. */
export function billedDisks(
  lines: readonly BillLine[],
  resources: BilledMachine['resources'],
  month: Seconds,
): DiskOfBill[] {
  const byResource = new Map<string, BillLine[]>()
  for (const line of lines) {
    const known = byResource.get(line.resourceId)
    if (known) known.push(line)
    else byResource.set(line.resourceId, [line])
  }
  return [...byResource].flatMap(([id, own]): DiskOfBill[] => {
    const details = resources.get(id)
    const room = detailNumber(details?.get('DiskSpace'))
    const inGiB = amountIn('GiB-time', own, month)
    const inTime = amountIn('time', own, month)
    if (isZero(inGiB) && isZero(inTime)) return []
    const days = BigInt(new Set(own.map(({ day }) => day)).size * SECONDS_PER_DAY)
    const charged = isZero(inGiB) ? undefined : quarters(divide(inGiB, { n: days, d: 1n }))
    const roomGiB = Math.min(MOST_ROOM, Math.max(1, room ?? charged ?? UNSAID_ROOM))
    const whole = { n: BigInt(month), d: 1n }
    const exactRoom = { n: BigInt(Math.round(roomGiB * 1_024)), d: 1_024n }
    return [
      {
        name: detailText(details?.get('DiskType')) ?? (own[0]!.meter || 'disk'),
        roomGiB,
        isSaid: room !== undefined || charged !== undefined,
        units: divide(isZero(inGiB) ? multiply(inTime, exactRoom) : inGiB, whole),
        own,
      },
    ]
  })
}

/** What of the lines is measured in a unit. */
export const amountIn = (unit: string, lines: readonly BillLine[], month: Seconds): Exact =>
  lines.reduce((sum, line) => {
    const found = measured(line, month)
    return found.unit === unit ? add(sum, found.amount) : sum
  }, ZERO)

/** GiB to a quarter, which is as exact as room is said. */
export const quarters = ({ n, d }: Exact): number => Number((n * 4n + d / 2n) / d) / 4

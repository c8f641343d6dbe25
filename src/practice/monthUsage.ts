import { compare, divide, subtract, type Exact } from '../core/quantity/exact.ts'
import { rowOf } from './catalogueFacts.ts'
import { belongingsUsage } from './belongingsUsage.ts'
import { timeIn } from './counted.ts'
import { computeUsage, licenceUsage, memoryUsage } from './machineUsage.ts'
import type { MeterContext } from './MeterContext.ts'
import type { PracticeMachine } from './PracticeMachine.ts'
import { ticksOf } from './stretches.ts'
import { trafficUsage } from './trafficUsage.ts'
import { ONE, per, priceOf, totalOf, type Usage } from './usage.ts'

/** All that is charged for the machines of an account in a month, or until now in it; by the machine’s name. */
export function monthUsage(
  machines: readonly PracticeMachine[],
  context: MeterContext,
): Map<string, Usage[]> {
  const traffic = trafficUsage(machines, context)
  return new Map(
    machines.map((machine) => {
      const usages = [
        ...computeUsage(machine, context),
        ...licenceUsage(machine, context),
        ...memoryUsage(machine, context),
        ...belongingsUsage(machine, context),
        ...(traffic.get(machine.order.name) ?? []),
      ].filter(({ stretches }) => ticksOf(stretches) > 0)
      return [machine.order.name, [...usages, ...minimumUsage(machine, totalOf(usages), context)]]
    }),
  )
}

/** What is missing to the least that a machine costs in a month in which there is one. */
function minimumUsage(machine: PracticeMachine, sum: Exact, { book, within }: MeterContext): Usage[] {
  const price = book.billing.minimumPerMachineMonth
  const stretches = timeIn(machine, within, (state) => rowOf(state, book).disks)
  const ticks = ticksOf(stretches)
  if (price === undefined || ticks === 0 || compare(sum, priceOf(price)) >= 0) return []
  const part = divide(subtract(priceOf(price), sum), priceOf(price))
  const perTick = per(ticks, part)
  return [
    {
      service: 'machines',
      part: '',
      meter: 'minimum',
      price,
      unit: 'Months',
      perTick,
      stretches,
      share: ONE,
    },
  ]
}

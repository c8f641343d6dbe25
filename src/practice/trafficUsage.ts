import { divide, exact, multiply, ZERO, add, type Exact } from '../core/quantity/exact.ts'
import { NotSold, pricesOf, sizeOf } from './catalogueFacts.ts'
import { runningTime } from './counted.ts'
import type { MeterContext } from './MeterContext.ts'
import type { PracticeMachine } from './PracticeMachine.ts'
import { ticksOf, type Stretch } from './stretches.ts'
import { bandsOf, FREE, number, ONE, type Usage } from './usage.ts'

interface Sent {
  readonly running: readonly Stretch[]
  readonly ticks: number
  /** GiB that its size’s price includes, and those beyond. */
  readonly included: Exact
  readonly paid: Exact
}

const NOTHING: Sent = { running: [], ticks: 0, included: ZERO, paid: ZERO }

/**
 * Traffic out, by region: what all machines of the account send beyond what their sizes include fills the bands together,
 * and each pays its part of every band. By the machine’s name.
 */
export function trafficUsage(
  machines: readonly PracticeMachine[],
  context: MeterContext,
): Map<string, Usage[]> {
  const sent = new Map(machines.map((machine) => [machine.order.name, sentBy(machine, context)]))
  const together = new Map<string, Exact>()
  for (const { order } of machines) {
    together.set(order.region, add(together.get(order.region) ?? ZERO, sent.get(order.name)!.paid))
  }
  return new Map(
    machines.map(({ order }) => [
      order.name,
      usageOf(sent.get(order.name)!, together.get(order.region)!, () => {
        const bands = pricesOf(order, context.book).trafficOut
        if (!bands) throw new NotSold('traffic', order.region)
        return bands.map(({ upToGiB, perGiB }) => ({ price: perGiB, upTo: upToGiB }))
      }),
    ]),
  )
}

function sentBy(machine: PracticeMachine, { book, month, within }: MeterContext): Sent {
  const { trafficOutGiB = 0, runningSeconds = month.to - month.from } = machine.order
  if (trafficOutGiB === 0 || runningSeconds === 0) return NOTHING
  const running = runningTime(machine, within)
  const ticks = ticksOf(running)
  if (ticks === 0) return NOTHING
  const all = divide(multiply(number(trafficOutGiB), exact(ticks)), exact(runningSeconds))
  const most = number(sizeOf(machine.order, book).includedTrafficGiB ?? 0)
  const included = all.n * most.d < most.n * all.d ? all : most
  return { running, ticks, included, paid: add(all, { n: -included.n, d: included.d }) }
}

type TrafficBands = readonly { readonly price: string; readonly upTo: number | undefined }[]

function usageOf(
  { running, ticks, included, paid }: Sent,
  together: Exact,
  bandsThere: () => TrafficBands,
): Usage[] {
  if (ticks === 0) return []
  const bands = bandsThere()
  const usage = (price: string, gib: Exact, share: Exact): Usage => ({
    service: 'traffic',
    part: '',
    meter: 'traffic out',
    price,
    unit: 'GiB',
    perTick: divide(gib, exact(ticks)),
    stretches: running,
    share,
  })
  return [
    ...(included.n > 0n ? [usage(bands[0]!.price, included, FREE)] : []),
    ...(paid.n > 0n
      ? bandsOf(bands, together).map(({ band, within }) =>
          usage(band.price, multiply(within, divide(paid, together)), ONE),
        )
      : []),
  ]
}

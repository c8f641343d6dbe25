import type { PriceBook } from '../core/catalogue/priceBook.ts'
import { freeTicks } from './freePools.ts'
import type { MeterContext } from './MeterContext.ts'
import { monthUsage } from './monthUsage.ts'
import { PracticeMachine, type MadeMachine } from './PracticeMachine.ts'
import type { Within } from './stretches.ts'
import type { Usage } from './usage.ts'
import { midnight } from './zoneClock.ts'

/** A month of the provider’s billing zone, in seconds since 1970. */
export const practiceMonth = (billingZone: string, year: number, month: number): Within => ({
  from: midnight(billingZone, year, month, 1),
  to: midnight(billingZone, year, month + 1, 1),
})

/**
 * A provider to practise with, that sells by a price book. It carries out what it is told, keeps a log of what each
 * machine was in, and meters by that log alone.
 */
export class PracticeProvider {
  private readonly made: PracticeMachine[] = []
  private readonly editions: { readonly from: number; readonly book: PriceBook }[]

  constructor(readonly book: PriceBook) {
    this.editions = [{ from: -Infinity, book }]
  }

  get machines(): readonly PracticeMachine[] {
    return this.made
  }

  create(machine: MadeMachine): PracticeMachine {
    const made = new PracticeMachine(machine, this.book)
    this.made.push(made)
    return made
  }

  /** From then on sizes cost what another book says. Editions come in order of time. */
  changePrices(book: PriceBook, from: number): void {
    this.editions.push({ from, book })
  }

  /** What is charged in a month until `now`; by the machine’s name. */
  usage(month: Within, now = month.to): Map<string, Usage[]> {
    const within = { from: month.from, to: Math.min(month.to, now) }
    for (const machine of this.made) machine.settle(now)
    const context: MeterContext = {
      book: this.book,
      month,
      within,
      prices: this.editions.map(({ from, book }, i) => ({
        book,
        from,
        to: this.editions[i + 1]?.from ?? Infinity,
      })),
      free: freeTicks(this.made, this.book, month, within),
    }
    return monthUsage(this.made, context)
  }
}

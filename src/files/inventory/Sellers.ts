import { accept, type Outcome } from '../../core/outcome.ts'
import { bookFor, type BookIssue } from '../../core/catalogue/bookFor.ts'
import type { BookIndex } from '../../core/catalogue/bookIndex.ts'
import type { PriceBook, Size } from '../../core/catalogue/priceBook.ts'
import { NearestShapes } from '../../core/carry/nearestShapes.ts'
import { newMachine } from '../../core/carry/newMachine.ts'
import type { Machine } from '../../core/machine/plan.ts'
import type { GiB } from '../../core/quantity/units.ts'
import type { InventoryInputs } from './inventory.ts'
import type { Meaning } from './nearestName.ts'
import { STATE_MEANINGS } from './wordsOfPrograms.ts'

const MOST_CANDIDATES = 6

/** What the rows of one provider are read against. */
export interface Seller {
  readonly index: BookIndex
  /** What a row does not say; undefined where nothing is sold to start from. */
  readonly start: Machine | undefined
  readonly states: readonly (Meaning & { readonly id: Machine['off'] })[]
}

/** The providers of a table's rows: what does not change from row to row is worked out once. */
export class Sellers {
  readonly providers: readonly PriceBook['provider'][]
  private readonly kept = new Map<string, Outcome<Seller, BookIssue>>()
  private readonly shapes = new Map<string, NearestShapes>()

  constructor(private readonly inputs: Pick<InventoryInputs, 'books' | 'month' | 'week'>) {
    // Each once: a provider has several editions.
    this.providers = [
      ...new Map(inputs.books.map(({ provider }) => [provider.id, provider] as const)).values(),
    ]
  }

  of(provider: string): Outcome<Seller, BookIssue> {
    let seller = this.kept.get(provider)
    if (!seller) this.kept.set(provider, (seller = this.find(provider)))
    return seller
  }

  /** The sizes nearest to what a row asks for, where the machine stands. */
  candidates(machine: Machine, index: BookIndex, vcpu: number, memoryGiB: GiB): readonly Size[] {
    const key = [machine.provider, machine.region, machine.terms, machine.image].join('\u0000')
    let shapes = this.shapes.get(key)
    if (!shapes) {
      const image = index.images.get(machine.image)!
      const region = index.regions.get(machine.region)!
      const wanted = { ...machine, needs: { ...machine.needs, iops: 0 } }
      shapes = new NearestShapes(wanted, image, index, region, index.terms.get(machine.terms)!)
      this.shapes.set(key, shapes)
    }
    return shapes.nearest(vcpu, memoryGiB, MOST_CANDIDATES)
  }

  private find(provider: string): Outcome<Seller, BookIssue> {
    const found = bookFor(provider, this.inputs.books, this.inputs.month)
    if (!found.ok) return found
    const index = found.value
    return accept({
      index,
      start: newMachine(index.book, 'start', this.inputs.week),
      states: STATE_MEANINGS.filter(({ id }) => index.book.states[id]),
    })
  }
}

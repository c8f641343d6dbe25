import { add, ZERO, type Exact } from '../../core/quantity/exact.ts'

/** A service of a bill that is not about machines. */
export interface LeftOutService {
  readonly service: string
  readonly currency: string
  readonly rows: number
  readonly effective: Exact
}

const PART = '\u001f'
/** More names than any provider has services; what comes after is one line. */
const MOST = 2_000
const OTHERS = 'other services'

/** Rows of other services by name, with their money: left out, and never dropped in silence. */
export class LeftOutServices {
  private readonly found = new Map<string, { rows: number; effective: Exact }>()

  add(service: string, currency: string, effective: Exact): void {
    this.addAt(service.replaceAll(PART, ' '), currency, 1, effective)
  }

  merge(other: LeftOutServices): void {
    for (const { service, currency, rows, effective } of other.list()) {
      this.addAt(service, currency, rows, effective)
    }
  }

  /** The dearest first, by currency. */
  list(): LeftOutService[] {
    return [...this.found].map(([key, sums]) => {
      const [service, currency] = key.split(PART) as [string, string]
      return { service, currency, ...sums }
    })
  }

  private addAt(service: string, currency: string, rows: number, effective: Exact): void {
    const own = `${service}${PART}${currency}`
    const key = this.found.has(own) || this.found.size < MOST ? own : `${OTHERS}${PART}${currency}`
    const sums = this.found.get(key) ?? { rows: 0, effective: ZERO }
    this.found.set(key, { rows: sums.rows + rows, effective: add(sums.effective, effective) })
  }
}

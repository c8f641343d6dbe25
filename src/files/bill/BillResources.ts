import { apart } from './apart.ts'
import type { BillResource } from '../../core/bill/billLine.ts'

type Trouble = 'bad-tags' | 'bad-details'

interface Known {
  readonly name: string
  readonly details: Map<string, Readonly<Record<string, unknown>>>
  tags: Map<string, string>
  /** As they were written last, so that the same is not read again. */
  tagsText: string
  readonly detailTexts: Map<string, string>
}

const MOST_TAGS = 200
const MOST_METERS = 40

/** What a bill says of its resources beside their charges; the newest tags stand. Memory: O(resources × meters). */
export class BillResources {
  private readonly known = new Map<string, Known>()

  /** What is no JSON object, where it comes first. */
  add(id: string, name: string, meter: string, details: string, tags: string): Trouble[] {
    const wrong: Trouble[] = []
    let known = this.known.get(id)
    if (!known) {
      known = { name: apart(name), details: new Map(), tags: new Map(), tagsText: '', detailTexts: new Map() }
      this.known.set(apart(id), known)
    }
    if (tags !== '' && tags !== known.tagsText) {
      known.tagsText = apart(tags)
      const read = objectOf(tags)
      if (!read) wrong.push('bad-tags')
      else known.tags = tagsOf(read)
    }
    if (details !== '' && details !== known.detailTexts.get(meter)) {
      const read = objectOf(details)
      if (!read) wrong.push('bad-details')
      if (known.detailTexts.size < MOST_METERS || known.detailTexts.has(meter)) {
        const own = apart(meter)
        known.detailTexts.set(own, apart(details))
        if (read) known.details.set(own, read)
      }
    }
    return wrong
  }

  merge(other: BillResources): void {
    for (const [id, theirs] of other.known) {
      const known = this.known.get(id)
      if (!known) {
        this.known.set(id, theirs)
        continue
      }
      for (const [meter, details] of theirs.details) known.details.set(meter, details)
      if (theirs.tags.size > 0) known.tags = theirs.tags
    }
  }

  list(): BillResource[] {
    return [...this.known].map(([id, { name, details, tags }]) => ({ id, name, details, tags }))
  }
}

function objectOf(text: string): Readonly<Record<string, unknown>> | undefined {
  try {
    const value: unknown = JSON.parse(text)
    return typeof value === 'object' && value !== null && !Array.isArray(value)
      ? (value as Record<string, unknown>)
      : undefined
  } catch {
    return undefined
  }
}

const tagsOf = (read: Readonly<Record<string, unknown>>): Map<string, string> =>
  new Map(
    Object.entries(read)
      .slice(0, MOST_TAGS)
      .map(([key, value]) => [key, typeof value === 'string' ? value : JSON.stringify(value)]),
  )

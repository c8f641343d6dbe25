import type { BookIndex } from '../../core/catalogue/bookIndex.ts'
import type { PriceBook, Size } from '../../core/catalogue/priceBook.ts'
import { proposedChoice } from '../../core/machine/chosenSize.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { kindsCarried, leastOf } from '../../core/catalogue/notKnown.ts'
import { ownValue } from '../../core/ownValue.ts'
import { gib } from '../../core/quantity/units.ts'
import { machineIssueText } from '../reading/machineIssueText.ts'
import { asOneLine } from '../reading/oneLine.ts'
import type { AskedMeanings } from './askedMeanings.ts'
import type { AskedSize, CellProblem, InventoryInputs } from './inventory.ts'
import type { InventoryField } from './inventoryFields.ts'
import { namedThing } from './namedThing.ts'
import type { Meaning } from './nearestName.ts'
import type { Seller, Sellers } from './Sellers.ts'
import { TableRow } from './TableRow.ts'
import { ADDRESS_MEANINGS, meaningOf, STATE_MEANINGS } from './wordsOfPrograms.ts'

const KNOWN_SAID = 6

/** What the rows of a table share while they are read. */
export interface SharedByRows {
  readonly inputs: InventoryInputs
  readonly sellers: Sellers
  readonly meanings: AskedMeanings
  readonly sizes: Map<string, AskedSize>
}

/** Reads one row of a table: what it says, and everything that keeps it from being a machine. */
export class InventoryRowReader {
  private readonly row: TableRow

  constructor(
    cells: readonly string[],
    private readonly shared: SharedByRows,
  ) {
    this.row = new TableRow(cells, shared.inputs)
  }

  get problems(): readonly CellProblem[] {
    return this.row.problems
  }

  say(field: InventoryField | undefined, problem: string): void {
    this.row.say(field, problem)
  }

  machine(): Machine | undefined {
    const { inputs, sellers } = this.shared
    const name = this.row.text('name')
    if (!/^[^\p{Cc}\p{Cf}\p{Zl}\p{Zp}]{1,60}$/u.test(name)) {
      this.say('name', name === '' ? 'It has no name.' : 'A name has at most 60 letters, on one line.')
    }
    const provider = this.provider()
    const seller = provider === undefined ? undefined : sellers.of(provider)
    if (!seller?.ok) {
      if (seller) this.say('provider', machineIssueText(seller.issues[0]).problem)
      return undefined
    }
    const { index, start } = seller.value
    const week = this.pick('week', inputs.plan.weeks, inputs.week, 'week plan')
    if (!start) {
      this.say('provider', `${index.book.provider.name} sells nothing to start from.`)
      return undefined
    }
    // All words are looked at before the row is given up, so that everything is asked at once.
    const placed = this.placed(start, index)
    const kind = this.diskKind(index)
    const rest = this.rest(start, seller.value)
    if (!week || !placed || !kind || !rest) return undefined
    const machine = { ...placed, ...rest, name, week: week.id }
    const size = this.size(machine, index)
    if (!size) return undefined
    const needs = this.needs(size)
    const chosen = proposedChoice(size, needs, undefined)
    return this.withDisks(
      { ...machine, size: size.id, needs, ...(chosen && { chosen }) },
      size,
      index,
      kind.said,
    )
  }

  private placed(start: Machine, { book, regions, images, terms: allTerms }: BookIndex): Machine | undefined {
    const { provider } = book
    const region = this.pick('region', book.regions, regions.get(start.region)!.region, 'region', provider)
    const image = this.pick('image', book.images, images.get(start.image)!, 'image', provider)
    const terms = this.pick('terms', book.terms, allTerms.get(start.terms)!, 'terms', provider)
    if (!region || !image || !terms) return undefined
    const zone = this.zone(region.zones) ?? region.zones[0]!
    // What is chosen of the start’s own size says nothing about another.
    const { chosen, ...unchosen } = start
    return { ...unchosen, region: region.id, zone, image: image.id, terms: terms.id }
  }

  private provider(): string | undefined {
    const { inputs, meanings, sellers } = this.shared
    const text = this.row.text('provider')
    if (text === '') return inputs.provider
    const { providers } = sellers
    const found = namedThing(providers, text)?.id ?? meanings.of('provider', text, undefined, providers)
    if (found === undefined) {
      const known = providers.map(({ name }) => name).join(', ')
      this.say('provider', `There is no price book of “${text}”; there are ${known}.`)
    }
    return found
  }

  private pick<T extends Meaning>(
    field: InventoryField,
    all: readonly T[],
    usual: T,
    what: string,
    provider?: PriceBook['provider'],
  ): T | undefined {
    const text = this.row.text(field)
    if (text === '') return usual
    const named = namedThing(all, text)
    if (named) return named
    const meant = this.shared.meanings.of(field, text, provider, all)
    const found = all.find(({ id }) => id === meant)
    if (!found) {
      const known = all.slice(0, KNOWN_SAID).map(({ name }) => name)
      const more = all.length > KNOWN_SAID ? ', …' : ''
      this.say(field, `There is no ${what} “${text}”; there are ${known.join(', ')}${more}.`)
    }
    return found
  }

  private zone(zones: readonly string[]): string | undefined {
    const text = this.row.text('zone').trim().toLowerCase()
    const found = text === '' ? zones[0] : zones.find((zone) => zone.toLowerCase() === text)
    if (found === undefined) {
      this.say('zone', `There is no zone “${this.row.text('zone')}” there; there are ${zones.join(', ')}.`)
    }
    return found
  }

  private size(machine: Machine, index: BookIndex): Size | undefined {
    const text = this.row.text('size')
    const known = text === '' ? undefined : namedThing(index.book.sizes, text)
    if (known) return known
    const vcpu = this.row.number('vcpu')
    const memory = this.row.room('memory')
    if (vcpu === undefined || memory === undefined) {
      if (this.problems.every(({ problem }) => !problem.includes('is no'))) {
        this.say(
          text === '' ? undefined : 'size',
          text === ''
            ? 'It says neither a size nor vCPU and memory.'
            : `${index.book.provider.name} has no size “${text}”; say vCPU and memory to find one like it.`,
        )
      }
      return undefined
    }
    const writtenMemory = this.row.writtenRoom('memory')
    const asked = [text, `${vcpu} vCPU`, writtenMemory].filter(Boolean).join(', ')
    const key = `${index.book.provider.id} ${machine.region} ${machine.terms} ${machine.image} ${asked}`
    const { sizes, sellers, inputs } = this.shared
    const before = sizes.get(key)
    const candidates =
      before?.candidates ??
      sellers.candidates(machine, index, vcpu, memory).map(({ id, name }) => ({ id, name }))
    sizes.set(key, {
      key,
      text: asked,
      provider: index.book.provider.name,
      candidates,
      rows: (before?.rows ?? 0) + 1,
    })
    const chosen = inputs.confirmed.get(key) ?? candidates[0]?.id
    const found = chosen === undefined ? undefined : index.sizes.get(chosen)
    if (!found) {
      this.say(text === '' ? 'vcpu' : 'size', `No size there has ${vcpu} vCPU and ${writtenMemory}.`)
    }
    return found
  }

  private needs(size: Size): Machine['needs'] {
    return {
      vcpu: Math.ceil(this.row.number('vcpu', false) ?? size.vcpu),
      memoryGiB: this.row.room('memory', false) ?? size.memoryGiB,
      iops: 0,
    }
  }

  /** Undefined where a word names nothing; without a kind where the row says none. */
  private diskKind({ book }: BookIndex): { readonly said: string | undefined } | undefined {
    if (this.row.text('disk-kind') === '') return { said: undefined }
    const kind = this.pick('disk-kind', book.diskKinds, book.diskKinds[0]!, 'disk kind', book.provider)
    return kind && { said: kind.id }
  }

  private withDisks(
    machine: Machine,
    size: Size,
    index: BookIndex,
    said: string | undefined,
  ): Machine | undefined {
    const sold = kindsCarried(size, index)
      .filter(({ boots }) => boots)
      .filter(
        ({ id, room }) =>
          room.by === 'size' || ownValue(ownValue(index.book.prices, machine.region)?.disks, id),
      )
    const usual = sold.find(({ id }) => id === machine.systemDisk.kind) ?? sold[0]
    if (!usual) {
      this.say('size', `${size.name} carries no system disk that is sold there.`)
      return undefined
    }
    const kind = said ?? usual.id
    const least = leastOf(index.images.get(machine.image)!).diskGiB
    const roomGiB = this.row.room('disk-room') ?? gib(Math.max(machine.systemDisk.roomGiB, least))
    const data = this.row.room('data-disk-room')
    return {
      ...machine,
      systemDisk: { kind, roomGiB },
      dataDisks: data === undefined ? [] : [{ kind, roomGiB: data }],
    }
  }

  private rest(start: Machine, { index, states }: Seller): Partial<Machine> | undefined {
    const usualAddress = meaningOf(ADDRESS_MEANINGS, start.address)
    const address = this.pick('address', ADDRESS_MEANINGS, usualAddress, 'address')
    const off = this.pick('off', states, meaningOf(STATE_MEANINGS, start.off), 'state', index.book.provider)
    if (!address || !off) return undefined
    const costCentre = asOneLine(this.row.text('cost-centre'), 60)
    const tags = this.row.tags()
    return {
      purpose: asOneLine(this.row.text('purpose'), 200),
      address: address.id,
      off: off.id,
      ...(costCentre !== '' && { costCentre }),
      ...(Object.keys(tags).length > 0 && { tags }),
    }
  }
}

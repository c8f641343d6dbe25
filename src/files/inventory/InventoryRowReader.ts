import { ownValue } from '../../core/ownValue.ts'
import { bookFor } from '../../core/catalogue/bookFor.ts'
import type { BookIndex } from '../../core/catalogue/bookIndex.ts'
import type { PriceBook, Size } from '../../core/catalogue/priceBook.ts'
import { proposedChoice } from '../../core/machine/chosenSize.ts'
import { newMachine } from '../../core/machine/newMachine.ts'
import { NearestSizes } from '../../core/machine/nearestSizes.ts'
import { MOST_TAGS, type Machine } from '../../core/machine/plan.ts'
import { gib } from '../../core/quantity/units.ts'
import { asOneLine } from '../oneLine.ts'
import type { AskedMeanings } from './askedMeanings.ts'
import { ADDRESS_MEANINGS, meaningOf, STATE_MEANINGS } from './wordsOfPrograms.ts'
import type { Meaning } from './nearestName.ts'
import { machineIssueText } from '../machineIssueText.ts'
import type { AskedSize, CellProblem, InventoryInputs } from './inventory.ts'
import type { InventoryField } from './inventoryFields.ts'
import { parseNumber, parseRoom } from './inventoryNumber.ts'

const MOST_CANDIDATES = 6

const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase()

const named = <T extends { readonly id: string; readonly name: string }>(
  all: Iterable<T>,
  text: string,
): T | undefined => {
  for (const each of all) if (same(each.id, text) || same(each.name, text)) return each
  return undefined
}

/** Reads one row of a table: what it says, and everything that keeps it from being a machine. */
export class InventoryRowReader {
  readonly problems: CellProblem[] = []

  constructor(
    private readonly cells: readonly string[],
    private readonly inputs: InventoryInputs,
    private readonly meanings: AskedMeanings,
  ) {}

  say(field: InventoryField | undefined, problem: string): void {
    const column = field === undefined ? -1 : this.inputs.mapping.indexOf(field)
    this.problems.push({ column: column < 0 ? undefined : column, problem })
  }

  private text(field: InventoryField): string {
    const column = this.inputs.mapping.indexOf(field)
    return column < 0 ? '' : (this.cells[column] ?? '')
  }

  machine(sizes: Map<string, AskedSize>, starts: Map<string, Machine | undefined>): Machine | undefined {
    const { books, month, plan } = this.inputs
    const name = this.text('name')
    if (!/^[^\p{Cc}\p{Cf}\p{Zl}\p{Zp}]{1,60}$/u.test(name)) {
      this.say('name', name === '' ? 'It has no name.' : 'A name has at most 60 letters, on one line.')
    }
    const provider = this.provider()
    const index = provider === undefined ? undefined : bookFor(provider, books, month)
    if (!index || 'code' in index) {
      if (index) this.say('provider', machineIssueText(index).problem)
      return undefined
    }
    const week = this.pick('week', plan.weeks, this.inputs.week, 'week plan')
    if (!starts.has(index.book.provider.id)) {
      starts.set(index.book.provider.id, newMachine(index.book, 'start', this.inputs.week))
    }
    const start = starts.get(index.book.provider.id)
    if (!start || !week) {
      if (!start) this.say('provider', `${index.book.provider.name} sells nothing to start from.`)
      return undefined
    }
    const region = this.pick(
      'region',
      regionsOf(index),
      index.book.regions.find(({ id }) => id === start.region)!,
      'region',
      index.book.provider,
    )
    const { provider: seller } = index.book
    const image = this.pick('image', index.book.images, index.images.get(start.image)!, 'image', seller)
    const terms = this.pick('terms', index.book.terms, index.terms.get(start.terms)!, 'terms', seller)
    if (!region || !image || !terms) return undefined
    const zone = this.zone(region.zones)
    const placed: Machine = {
      ...start,
      name,
      purpose: asOneLine(this.text('purpose'), 200),
      region: region.id,
      zone: zone ?? region.zones[0]!,
      image: image.id,
      terms: terms.id,
      week: week.id,
    }
    const size = this.size(placed, index, sizes)
    if (!size) return undefined
    const needs = this.needs(size)
    const chosen = proposedChoice(size, needs, undefined)
    const sized = { ...placed, size: size.id, needs, ...(chosen && { chosen }) }
    const shaped = this.withDisks(sized, size, index)
    return shaped && this.withRest(shaped, index)
  }

  private provider(): string | undefined {
    const text = this.text('provider')
    if (text === '') return this.inputs.provider
    const providers = onceEach(this.inputs.books.map(({ provider }) => provider))
    const found = named(providers, text)?.id ?? this.meanings.of('provider', text, undefined, providers)
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
    const text = this.text(field)
    if (text === '') return usual
    const meant = named(all, text)?.id ?? this.meanings.of(field, text, provider, all)
    const found = all.find(({ id }) => id === meant)
    if (!found) {
      const known = all.slice(0, 6).map(({ name }) => name)
      this.say(
        field,
        `There is no ${what} “${text}”; there are ${known.join(', ')}${all.length > 6 ? ', …' : ''}.`,
      )
    }
    return found
  }

  private zone(zones: readonly string[]): string | undefined {
    const text = this.text('zone')
    const found = text === '' ? zones[0] : zones.find((zone) => same(zone, text))
    if (found === undefined)
      this.say('zone', `There is no zone “${text}” there; there are ${zones.join(', ')}.`)
    return found
  }

  private size(machine: Machine, index: BookIndex, sizes: Map<string, AskedSize>): Size | undefined {
    const text = this.text('size')
    const known = text === '' ? undefined : named(index.book.sizes, text)
    if (known) return known
    const vcpu = this.number('vcpu')
    const memory = this.room('memory')
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
    const asked = [text, `${vcpu} vCPU`, this.writtenRoom('memory')].filter(Boolean).join(', ')
    const key = `${index.book.provider.id} ${machine.region} ${machine.terms} ${machine.image} ${asked}`
    const before = sizes.get(key)
    const candidates = before?.candidates ?? candidatesFor(machine, index, vcpu, memory)
    sizes.set(key, {
      key,
      text: asked,
      provider: index.book.provider.name,
      candidates: candidates.map(({ id, name }) => ({ id, name })),
      rows: (before?.rows ?? 0) + 1,
    })
    const chosen = this.inputs.confirmed.get(key) ?? candidates[0]?.id
    const found = chosen === undefined ? undefined : index.sizes.get(chosen)
    if (!found)
      this.say(
        text === '' ? 'vcpu' : 'size',
        `No size there has ${vcpu} vCPU and ${this.writtenRoom('memory')}.`,
      )
    return found
  }

  /** As the person wrote it, with the table’s unit where it has none of its own. */
  private writtenRoom(field: InventoryField): string {
    const text = this.text(field).trim()
    return /[A-Za-z]$/.test(text) ? text : `${text} ${this.inputs.unit}`
  }

  private needs(size: Size): Machine['needs'] {
    return {
      vcpu: Math.ceil(this.number('vcpu', false) ?? size.vcpu),
      memoryGiB: this.room('memory', false) ?? size.memoryGiB,
      iops: 0,
    }
  }

  private withDisks(machine: Machine, size: Size, index: BookIndex): Machine | undefined {
    const bootable = size.diskKinds
      .flatMap((id) => index.diskKinds.get(id) ?? [])
      .filter(({ boots }) => boots)
    const sold = bootable.filter(
      ({ id, room }) =>
        room.by === 'size' || ownValue(ownValue(index.book.prices, machine.region)?.disks, id),
    )
    const usual = sold.find(({ id }) => id === machine.systemDisk.kind) ?? sold[0]
    if (!usual) {
      this.say('size', `${size.name} carries no system disk that is sold there.`)
      return undefined
    }
    const kind = this.pick('disk-kind', index.book.diskKinds, usual, 'disk kind', index.book.provider)
    const least = index.images.get(machine.image)?.least.diskGiB ?? gib(0)
    const room = this.room('disk-room') ?? gib(Math.max(machine.systemDisk.roomGiB, least))
    const data = this.room('data-disk-room')
    if (!kind) return undefined
    return {
      ...machine,
      systemDisk: { kind: kind.id, roomGiB: room },
      dataDisks: data === undefined ? [] : [{ kind: kind.id, roomGiB: data }],
    }
  }

  private withRest(machine: Machine, { book }: BookIndex): Machine {
    const address = this.pick(
      'address',
      ADDRESS_MEANINGS,
      meaningOf(ADDRESS_MEANINGS, machine.address),
      'address',
    )
    const states = STATE_MEANINGS.filter(({ id }) => book.states[id])
    const off = this.pick('off', states, meaningOf(STATE_MEANINGS, machine.off), 'state', book.provider)
    const costCentre = asOneLine(this.text('cost-centre'), 60)
    const tags = this.tags()
    return {
      ...machine,
      address: address?.id ?? machine.address,
      off: off?.id ?? machine.off,
      ...(costCentre !== '' && { costCentre }),
      ...(Object.keys(tags).length > 0 && { tags }),
    }
  }

  private tags(): Record<string, string> {
    const { mapping, table } = this.inputs
    const entries = mapping.flatMap((field, column) => {
      const value = asOneLine(this.cells[column] ?? '', 80)
      const key = asOneLine(table.columns[column]!, 80)
        .replace(/^[^\p{L}\p{N}]+/u, '')
        .slice(0, 40)
      return field === 'tag' && value !== '' && key !== '' ? [[key, value] as const] : []
    })
    return Object.fromEntries(entries.slice(0, MOST_TAGS))
  }

  private number(field: InventoryField, says = true): number | undefined {
    const text = this.text(field)
    if (text === '') return undefined
    const value = parseNumber(text, this.inputs.decimal)
    if (value !== undefined && value > 0 && value <= 4_096) return value
    if (says)
      this.say(
        field,
        `“${text}” is no number of ${field}, with a ${MARKS[this.inputs.decimal]} for decimals.`,
      )
    return undefined
  }

  private room(field: InventoryField, says = true): ReturnType<typeof parseRoom> {
    const text = this.text(field)
    if (text === '') return undefined
    const value = parseRoom(text, this.inputs)
    if (value !== undefined && value <= 4 * 1024 * 1024) return value
    if (says)
      this.say(
        field,
        `“${text}” is no amount in ${this.inputs.unit}, with a ${MARKS[this.inputs.decimal]} for decimals.`,
      )
    return undefined
  }
}

const MARKS = { '.': 'point', ',': 'comma' } as const
/** Each once: a provider has several editions. */
const onceEach = <T extends { readonly id: string }>(all: readonly T[]): T[] => [
  ...new Map(all.map((each) => [each.id, each])).values(),
]

const regionsOf = ({ book }: BookIndex): PriceBook['regions'] => book.regions

function candidatesFor(
  machine: Machine,
  index: BookIndex,
  vcpu: number,
  memoryGiB: ReturnType<typeof gib>,
): { readonly id: string; readonly name: string }[] {
  const image = index.images.get(machine.image)!
  const wanted = { ...machine, needs: { vcpu: Math.ceil(vcpu), memoryGiB, iops: 0 } }
  const like = { vcpu, memoryGiB, architecture: 'x86-64' as const }
  const nearest = new NearestSizes(wanted, image, index, like)
  const found: Size[] = []
  for (const size of nearest.in(index.regions.get(machine.region)!, index.terms.get(machine.terms)!)) {
    found.push(size)
    if (found.length === MOST_CANDIDATES) break
  }
  return found
}

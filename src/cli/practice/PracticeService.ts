import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { parseYearMonth, yearMonthParts } from '../../core/calendar/yearMonth.ts'
import type { SwitchAction } from '../../core/machine/switchActions.ts'
import type { PowerState } from '../../core/off/powerState.ts'
import { focusTime } from '../../files/bill/focusTime.ts'
import { NotSold } from '../../practice/catalogueFacts.ts'
import { BILL_GRAINS, practiceBill, practiceRows } from '../../practice/practiceBill.ts'
import type { PracticeMachine } from '../../practice/PracticeMachine.ts'
import { PracticeProvider, practiceMonth } from '../../practice/PracticeProvider.ts'
import { monthAt } from '../../practice/zoneClock.ts'
import { orderSchema, type OrderedMachine } from './orderSchema.ts'
import { json, practiceProblem, type PracticeAnswer, type PracticeRequest } from './practiceAnswer.ts'
import type { PracticeClock } from './PracticeClock.ts'
import { PRACTICE_OPEN_API } from './practiceOpenApi.ts'

const MOST_MACHINES = 5_000
const MOST_EVENTS = 100_000

const STATE_OF = {
  start: 'running',
  create: 'running',
  stop: 'stopped',
  deallocate: 'deallocated',
  hibernate: 'hibernated',
  delete: 'deleted',
} as const satisfies Record<SwitchAction, PowerState>

interface PracticeEvent {
  readonly at: string
  readonly region: string
  readonly machine: string
  readonly action: string
}

const utc = (at: number): string => new Date(at * 1_000).toISOString().replace('.000', '')

/** What the practice provider answers to each request; it keeps a log of what it was told. */
export class PracticeService {
  private readonly events: PracticeEvent[] = []

  constructor(
    readonly provider: PracticeProvider,
    private readonly clock: PracticeClock,
  ) {}

  answer(request: PracticeRequest): PracticeAnswer {
    const { method, path } = request
    const [first, ...rest] = path
    switch (`${method} ${first ?? ''}`) {
      case 'GET machines':
        return rest.length === 0 ? json(this.machines.map((each) => this.shown(each))) : this.one(rest)
      case 'POST machines':
        return rest.length === 0 ? this.create(request.body) : this.power(rest, request.body)
      case 'DELETE machines':
        return this.remove(rest)
      case 'GET clock':
        return json(this.time())
      case 'PUT clock':
        return this.setClock(request.body)
      case 'GET events':
        return json(this.events)
      case 'GET bill':
        return this.bill(request.query)
      case 'GET openapi.json':
        return json(PRACTICE_OPEN_API)
      default:
        return practiceProblem(404, `There is no ${method} /${path.join('/')}.`, 'one of GET /openapi.json.')
    }
  }

  private get machines(): readonly PracticeMachine[] {
    return this.provider.machines
  }

  private get book(): PriceBook {
    return this.provider.book
  }

  private time() {
    return { at: utc(this.clock.now()), speed: this.clock.speed }
  }

  private shown(machine: PracticeMachine) {
    const { order } = machine
    const now = this.clock.now()
    machine.settle(now)
    const state = machine.stateAt(now) ?? 'deleted'
    return { name: order.name, region: order.region, size: order.size, state }
  }

  private find([region, name]: readonly string[]): PracticeMachine | undefined {
    return this.machines.findLast(({ order }) => order.region === region && order.name === name)
  }

  private one(path: readonly string[]): PracticeAnswer {
    const machine = this.find(path)
    return machine ? json({ ...this.shown(machine), order: machine.order }) : unknown(path)
  }

  private create(body: string): PracticeAnswer {
    const read = readBody(body)
    if ('problem' in read) return read.problem
    const checked = orderSchema.validate(read.value, { convert: false })
    if (checked.error) {
      const { path, message } = checked.error.details[0]!
      return practiceProblem(422, `The order’s /${path.join('/')} will not do.`, message)
    }
    const { state = 'running', ...order } = checked.value as OrderedMachine
    if (this.machines.length >= MOST_MACHINES) {
      return practiceProblem(422, `There are ${MOST_MACHINES} machines.`, 'fewer machines.')
    }
    const known = this.find([order.region, order.name])
    if (known && known.goneAt === undefined) {
      return practiceProblem(409, `There is a ${order.name} in ${order.region}.`, 'another name.')
    }
    const problem = this.notSold(order)
    if (problem) return problem
    if (!this.hasState(state)) return this.noState(state)
    const at = this.clock.now()
    const made = this.provider.create({ order, at, state })
    this.log(order.region, order.name, 'create')
    return json(this.shown(made), 201)
  }

  /** Tried on a provider of its own: what cannot be metered is not sold. */
  private notSold(order: OrderedMachine): PracticeAnswer | undefined {
    const { year, month } = monthAt(this.book.billingZone, this.clock.now())
    const span = practiceMonth(this.book.billingZone, year, month)
    const trial = new PracticeProvider(this.book)
    try {
      trial.create({ order, at: span.from, state: 'running' })
      trial.usage(span)
      return undefined
    } catch (error) {
      if (!(error instanceof NotSold)) throw error
      return practiceProblem(422, error.message, 'what the price book has.')
    }
  }

  private power([region = '', name = '', last]: readonly string[], body: string): PracticeAnswer {
    const path = [region, name]
    if (last !== 'power') return unknown(path)
    const machine = this.find(path)
    if (!machine || machine.goneAt !== undefined) return unknown(path)
    const read = readBody(body)
    if ('problem' in read) return read.problem
    const action = new Map(Object.entries(Object(read.value))).get('action')
    const state = new Map(Object.entries(STATE_OF)).get(String(action))
    if (!state) {
      return practiceProblem(422, `Found action ${JSON.stringify(action)}.`, Object.keys(STATE_OF).join(', '))
    }
    if (!this.hasState(state)) return this.noState(state)
    machine.want(state, this.clock.now())
    this.log(region, name, String(action))
    return json(this.shown(machine))
  }

  private remove(path: readonly string[]): PracticeAnswer {
    const machine = this.find(path)
    if (!machine || machine.goneAt !== undefined) return unknown(path)
    machine.delete(this.clock.now())
    this.log(path[0]!, path[1]!, 'delete for good')
    return json(this.shown(machine))
  }

  private setClock(body: string): PracticeAnswer {
    const read = readBody(body)
    if ('problem' in read) return read.problem
    const fields = new Map(Object.entries(Object(read.value)))
    const [at, speed] = [fields.get('at'), fields.get('speed') ?? this.clock.speed]
    const instant = at === undefined ? this.clock.now() : focusTime(String(at))
    if (instant === undefined) {
      return practiceProblem(422, `Found at ${JSON.stringify(at)}.`, 'a time such as 2027-03-01T00:00:00Z.')
    }
    if (instant < this.clock.now()) {
      return practiceProblem(409, 'The clock only goes forward.', `a time from ${utc(this.clock.now())} on.`)
    }
    if (typeof speed !== 'number' || !(speed >= 0 && speed <= 1e7)) {
      return practiceProblem(422, `Found speed ${JSON.stringify(speed)}.`, 'a number from 0 to 10000000.')
    }
    this.clock.set(instant, speed)
    return json(this.time())
  }

  private bill(query: ReadonlyMap<string, string>): PracticeAnswer {
    const now = this.clock.now()
    const own = monthAt(this.book.billingZone, now)
    const asked = query.get('month')
    const month = asked === undefined ? undefined : parseYearMonth(asked)
    if (asked !== undefined && !month) {
      return practiceProblem(422, `Found month "${asked}".`, 'a month such as 2027-03.')
    }
    const by = query.get('by') ?? 'day'
    const grain = BILL_GRAINS.find((each) => each === by)
    if (!grain) return practiceProblem(422, `Found by "${by}".`, BILL_GRAINS.join(' or '))
    const { year, month: number } = month ? yearMonthParts(month) : own
    const span = practiceMonth(this.book.billingZone, year, number)
    if (span.from >= now)
      return practiceProblem(409, 'That month has not begun.', `a month until ${utc(now)}.`)
    const rows = practiceRows(this.machines, this.provider.usage(span, now), this.book, span, grain)
    return { status: 200, type: 'text/csv; charset=utf-8', body: practiceBill(rows) }
  }

  private hasState(state: PowerState): boolean {
    return this.book.states[state] !== undefined
  }

  private noState(state: PowerState): PracticeAnswer {
    const known = Object.keys(this.book.states).join(', ')
    return practiceProblem(422, `${this.book.provider.name} has no state ${state}.`, known)
  }

  private log(region: string, machine: string, action: string): void {
    this.events.push({ at: utc(this.clock.now()), region, machine, action })
    if (this.events.length > MOST_EVENTS) this.events.shift()
  }
}

const unknown = ([region, name]: readonly string[]): PracticeAnswer =>
  practiceProblem(404, `There is no ${name} in ${region}.`, 'a machine of GET /machines.')

function readBody(body: string): { readonly value: unknown } | { readonly problem: PracticeAnswer } {
  try {
    return { value: JSON.parse(body) }
  } catch {
    return { problem: practiceProblem(400, 'The body is not JSON.', 'a JSON object.') }
  }
}

import { describe, expect, test } from 'vitest'
import { carryOver } from '../carry/carryOver.ts'
import { indexBook } from '../catalogue/bookIndex.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { ApartGroup, ApartNeed } from '../machine/apartGroup.ts'
import type { Machine, Plan } from '../machine/plan.ts'
import { resolveMachine, type ResolvedMachine } from '../machine/resolveMachine.ts'
import { platesOf } from '../notches/plates.ts'
import { plateInputs } from '../testing/plateInputs.ts'
import { OFFICE_WEEK } from '../testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { faultDomainOf } from './apartChecks.ts'
import { factsToCheck } from './factsToCheck.ts'
import { fitReasons, placeReasons } from './fitReasons.ts'

/** East has zones a and b, West has a alone; East's zones have two fault domains each. */
const BOOK: PriceBook = {
  ...SMALL_BOOK,
  regions: SMALL_BOOK.regions.map((region) =>
    region.id === 'east' ? { ...region, faultDomains: ['one', 'two'] } : region,
  ),
}

const at = (name: string, zone: string, part: Partial<ApartNeed> = {}, region = 'east'): Machine => ({
  ...SMALL_MACHINE,
  name,
  region,
  zone,
  needs: { ...SMALL_MACHINE.needs, apart: { group: 'web', ...part } },
})

const planOf = (group: Omit<ApartGroup, 'name'>, machines: readonly Machine[]) => ({
  weeks: [OFFICE_WEEK],
  apartGroups: [{ name: 'web', ...group }],
  machines,
})

function resolved(machine: Machine, plan: ReturnType<typeof planOf>, book = BOOK): ResolvedMachine {
  const found = resolveMachine(machine, plan, indexBook(book))
  if (!found.ok) throw new Error(JSON.stringify(found.issues))
  return found.value
}

const codes = (machine: Machine, plan: ReturnType<typeof planOf>) =>
  fitReasons(resolved(machine, plan), 'place').map(({ code }) => code)

describe('machines that must not fall together', () => {
  test('no more of them stand in a zone than the group allows', () => {
    const [one, two, three] = [at('one', 'a'), at('two', 'a'), at('three', 'b')]
    const plan = planOf({ mostInZone: 1 }, [one, two, three])
    expect(fitReasons(resolved(one, plan), 'place')).toEqual([
      { code: 'shares-zone', group: 'web', zone: 'a', place: 'East', most: 1, with: ['two'] },
    ])
    expect(codes(two, plan)).toEqual(['shares-zone'])
    expect(codes(three, plan)).toEqual([])
    expect(codes(one, planOf({ mostInZone: 2 }, [one, two, three]))).toEqual([])
    // Another provider's zone of the same name is another zone.
    expect(codes(one, planOf({ mostInZone: 1 }, [one, { ...two, provider: 'weir' }]))).toEqual([])
    expect(codes(one, planOf({ mostInZone: 1 }, [one, { ...two, region: 'west' }]))).toEqual([])
  })

  test('a zone holds as many as its fault domains allow, and the machines take them in turn', () => {
    const machines = ['one', 'two', 'three', 'four'].map((name) => at(name, 'a'))
    const plan = planOf({ mostInFaultDomain: 1 }, machines.slice(0, 2))
    expect(machines.slice(0, 2).map((each) => codes(each, plan))).toEqual([[], []])
    expect(codes(machines[2]!, planOf({ mostInFaultDomain: 1 }, machines.slice(0, 3)))).toEqual([
      'shares-fault-domain',
    ])
    const wide = planOf({ mostInFaultDomain: 2 }, machines)
    expect(machines.map((each) => codes(each, wide))).toEqual([[], [], [], []])
    expect(machines.map((each) => faultDomainOf(resolved(each, wide)))).toEqual(['one', 'two', 'one', 'two'])
    expect(faultDomainOf(resolved(at('five', 'b'), planOf({ mostInFaultDomain: 2 }, machines)))).toBe('one')
    expect(faultDomainOf(resolved(machines[0]!, planOf({ mostInZone: 4 }, machines)))).toBeUndefined()
  })

  test('where a book names no fault domains, which share one is to be looked up', () => {
    const machines = [at('one', 'a', {}, 'west'), at('two', 'a', {}, 'west')]
    const plan = planOf({ mostInFaultDomain: 1 }, machines)
    expect(codes(machines[0]!, plan)).toEqual([])
    expect(factsToCheck(resolved(machines[0]!, plan))).toContainEqual({
      code: 'fault-domains',
      of: 'West',
      group: 'web',
      with: ['two'],
    })
    const alone = planOf({ mostInFaultDomain: 1 }, machines.slice(0, 1))
    expect(factsToCheck(resolved(machines[0]!, alone))).toEqual([])
  })

  test('one that shares nothing has its region to itself, whoever of them says so', () => {
    const [one, two] = [at('one', 'a', { sharesNothing: true }), at('two', 'b')]
    const plan = planOf({}, [one, two])
    expect(fitReasons(resolved(one, plan), 'place')).toEqual([
      { code: 'shares-region', group: 'web', place: 'East', with: ['two'] },
    ])
    expect(codes(two, plan)).toEqual(['shares-region'])
    expect(codes(two, planOf({}, [at('one', 'a'), two]))).toEqual([])
  })

  test('a machine that asks for no group, or for one that is gone, is kept apart from none', () => {
    const [one, two] = [at('one', 'a'), at('two', 'a')]
    const plan = planOf({ mostInZone: 1 }, [one, two])
    expect(codes({ ...one, needs: SMALL_MACHINE.needs }, plan)).toEqual([])
    expect(codes({ ...one, needs: { ...one.needs, apart: { group: 'gone' } } }, plan)).toEqual([])
    // A need that is dropped for a question closes nothing, though the group is still known.
    const free = { ...resolved(one, plan), machine: { ...one, needs: SMALL_MACHINE.needs } }
    expect(fitReasons(free, 'place')).toEqual([])
  })

  test('a region of which every zone is full is closed as a whole', () => {
    const [one, two, three] = [at('one', 'a'), at('two', 'a'), at('three', 'b')]
    const plan = planOf({ mostInZone: 1 }, [one, two, three])
    expect(placeReasons(resolved(at('new', 'a'), plan)).map(({ code }) => code)).toEqual(['shares-zone'])
    expect(placeReasons(resolved(at('new', 'a', {}, 'west'), plan))).toEqual([])
  })

  test('plates close the zones that are full, and the nearest that fits is the next zone', () => {
    const [one, two] = [at('one', 'a'), at('two', 'a')]
    const { weeks: _, ...groups } = planOf({ mostInZone: 1 }, [one, two])
    const inputs = plateInputs(one, [BOOK], groups satisfies Partial<Plan>)
    const place = platesOf(inputs).find(({ id }) => id === 'place')!
    expect(place.notches.map(({ key, isPresent, reasons }) => [key, isPresent, reasons.length])).toEqual(
      expect.arrayContaining([
        ['mill-east-a', true, 1],
        ['mill-east-b', false, 0],
      ]),
    )
    const plan = planOf({ mostInZone: 1 }, [one, two])
    expect(carryOver(one, plan, indexBook(BOOK))?.machine.zone).toBe('b')
    expect(carryOver(one, plan, indexBook(BOOK), { kept: new Set(['place']) })).toBeUndefined()
    // A machine that fits stays where it is.
    expect(carryOver(one, planOf({ mostInZone: 2 }, [one, two]), indexBook(BOOK))?.changes).toEqual([])
  })

  test('what was looked up of a machine stands until the others of its group move', () => {
    const [one, two] = [at('one', 'a'), at('two', 'b')]
    const plan = planOf({ mostInZone: 1 }, [one, two])
    const index = indexBook(BOOK)
    const first = resolveMachine(one, plan, index)
    expect(resolveMachine(one, { ...plan, machines: [one, { ...two, purpose: 'other' }] }, index)).toBe(first)
    expect(resolveMachine(one, { ...plan, machines: [one, { ...two, zone: 'a' }] }, index)).not.toBe(first)
  })
})

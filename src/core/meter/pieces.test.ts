import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { instant } from '../quantity/units.ts'
import { cutAtTicks, piecesLater, scaled, ticksWithin, type Piece, type Pieces } from './pieces.ts'
import { randomRuns } from '../testing/randomRuns.ts'

const START = 1_800_000_000

/** Pieces of some seconds each with gaps between, some with rounding at their end. */
const anyPieces: fc.Arbitrary<Pieces> = fc
  .array(
    fc.record({
      gap: fc.integer({ min: 0, max: 500 }),
      length: fc.integer({ min: 1, max: 5_000 }),
      added: fc.constantFrom(0, 0, 30, 3_599),
    }),
    { maxLength: 12 },
  )
  .map((parts) => {
    let at = START
    const list = parts.map(({ gap, length, added }): Piece => {
      const from = at + gap
      at = from + length
      return { from: instant(from), to: instant(at), state: 'running', ticks: length + added, added }
    })
    return piecesLater(
      list.reduce((sum, { ticks }) => sum + ticks, 0),
      () => list,
    )
  })

const counted = ({ list }: Pieces): number => list.reduce((sum, { ticks }) => sum + ticks, 0)

describe('pieces of charged time', () => {
  test('cut at any tick both parts count what they say, and stand in order', () => {
    fc.assert(
      fc.property(
        anyPieces,
        fc.nat({ max: 60_000 }),
        fc.constantFrom(1, 7, 2_628_000),
        (pieces, at, factor) => {
          const whole = scaled(pieces, factor)
          const [before, after] = cutAtTicks(whole, at * factor + (factor > 1 ? 3 : 0))
          expect([counted(before), counted(after)]).toEqual([before.ticks, after.ticks])
          expect(before.ticks + after.ticks).toBe(whole.ticks)
          const all = [...before.list, ...after.list]
          all.slice(1).forEach((piece, i) => expect(piece.from).toBeGreaterThanOrEqual(all[i]!.to))
          for (const { from, to, ticks, added } of all) {
            expect(to).toBeGreaterThanOrEqual(from)
            expect([ticks > 0, added >= 0, added <= ticks]).toEqual([true, true, true])
          }
        },
      ),
      randomRuns(400),
    )
  })

  test('a second that a threshold falls in belongs to the part after it', () => {
    const list: Piece[] = [
      { from: instant(START), to: instant(START + 10), state: 'running', ticks: 100, added: 0 },
    ]
    const [before, after] = cutAtTicks(
      piecesLater(100, () => list),
      25,
    )
    expect(before.list).toEqual([{ ...list[0]!, to: START + 2, ticks: 25 }])
    expect(after.list).toEqual([{ ...list[0]!, from: START + 2, ticks: 75 }])
  })

  test('a threshold in what rounding added leaves the true time before it', () => {
    const list: Piece[] = [
      { from: instant(START), to: instant(START + 10), state: 'running', ticks: 60, added: 50 },
    ]
    const [before, after] = cutAtTicks(
      piecesLater(60, () => list),
      40,
    )
    expect(before.list).toEqual([{ ...list[0]!, ticks: 40, added: 30 }])
    expect(after.list).toEqual([{ ...list[0]!, from: START + 10, ticks: 20, added: 20 }])
  })

  test('whatever the days, each piece is counted once', () => {
    fc.assert(
      fc.property(
        anyPieces,
        fc.integer({ min: 1, max: 4_000 }),
        fc.nat({ max: 30_000 }),
        (pieces, day, cut) => {
          for (const part of cutAtTicks(scaled(pieces, 7), cut)) {
            const last = part.list.at(-1)?.to ?? START
            let sum = 0
            // What is cut within the first second has no length, and belongs to the day that ends there.
            for (let from = START - day; from < last; from += day) {
              for (const piece of part.list) {
                sum += ticksWithin(piece, { from: instant(from), to: instant(from + day) })
              }
            }
            expect(sum).toBe(part.ticks)
          }
        },
      ),
      randomRuns(100),
    )
  })

  test('a list is made when it is looked at, and once', () => {
    let made = 0
    const pieces = piecesLater(5, () => {
      made += 1
      return [{ from: instant(START), to: instant(START + 5), state: 'running', ticks: 5, added: 0 }]
    })
    const [before] = cutAtTicks(scaled(pieces, 10), 20)
    expect([before.ticks, made]).toEqual([20, 0])
    expect([before.list.length, before.list.length, made]).toEqual([1, 1, 1])
  })
})

import fc from 'fast-check'
import Fraction from 'fraction.js'
import { expect, test } from 'vitest'
import { billingMonth } from '../calendar/billingMonth.ts'
import type { WeekPlan } from '../calendar/weekPlan.ts'
import { addMonths, type YearMonth } from '../calendar/yearMonth.ts'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { OFF_STATES } from '../power/powerState.ts'
import { gib, type Span } from '../quantity/units.ts'
import { resolved } from '../testing/resolved.ts'
import { SMALL_BOOK, SMALL_MACHINE } from '../testing/smallBook.ts'
import { walkMinutes } from '../testing/walkMinutes.ts'
import { EVERY_DAY, weekOf } from '../testing/weeks.ts'
import { machineTotal } from './estimateMachine.ts'

/**
 * A meter as plain as can be: it walks the minutes around a month, switches the machine as a person with a stop watch
 * would, one second at a time where something changes, and adds up each second's price with a rational library.
 */
function simpleTotal(machine: Machine, week: WeekPlan, book: PriceBook, month: Span): Fraction {
  const margin = 3 * 86_400
  const wanted = walkMinutes(week, month.from - margin, month.to + margin)
  const size = book.sizes.find(({ id }) => id === machine.size)!
  const prices = book.prices[machine.region]!
  const off = book.states[machine.off]!
  const on = book.states.running
  const time = (change: typeof off.leave) =>
    Math.ceil(change!.seconds + (change!.secondsPerGiB ?? 0) * size.memoryGiB)

  let charged = 0
  let runLength = 0
  let addressOn = 0
  let addressOff = 0
  let busyUntil = -Infinity
  let up = false
  const never = machine.off === 'running'
  const endRun = (at: number): void => {
    if (runLength > 0 && at > month.from && at <= month.to) {
      const { minimumSeconds, incrementSeconds } = book.billing
      charged +=
        Math.ceil(Math.max(runLength, minimumSeconds) / incrementSeconds) * incrementSeconds - runLength
    }
    runLength = 0
  }
  for (let i = 0; i < wanted.length; i += 1) {
    const minute = month.from - margin + i * 60
    for (let at = minute; at < minute + 60; at += 1) {
      if (!never && at >= busyUntil && up !== wanted[i]!) {
        up = wanted[i]!
        busyUntil = at + time(up ? off.return : off.leave)
      }
      const asRunning = never || up || at < busyUntil
      const row = asRunning ? on : off
      const inMonth = at >= month.from && at < month.to
      if (row.compute) {
        runLength += 1
        if (inMonth) charged += 1
      } else endRun(at)
      if (inMonth && row.address === 'attachedOn') addressOn += 1
      if (inMonth && row.address === 'attachedOff') addressOff += 1
    }
  }
  const { kind, roomGiB } = machine.systemDisk
  const disk = book.diskKinds.find(({ id }) => id === kind)!
  const diskPrice =
    disk.room.by === 'gib'
      ? new Fraction(prices.disks[kind]!.perGiBMonth!).mul(roomGiB)
      : new Fraction(
          prices.disks[kind]!.perMonthByStep![disk.room.stepsGiB.find((step) => step >= roomGiB)!]!,
        )
  const perSecond = (price: string): Fraction => new Fraction(price).div(3_600)
  const address = machine.address === 'fixed' ? prices.addresses.fixed : undefined
  return perSecond(prices.sizes[machine.size]!.perHour)
    .mul(charged)
    .add(diskPrice)
    .add(address ? perSecond(address.attachedOn).mul(addressOn) : 0)
    .add(address ? perSecond(address.attachedOff).mul(addressOff) : 0)
}

test('a month costs what a plain walk through it costs', () => {
  const inputs = fc.record({
    machine: fc.record({
      off: fc.constantFrom(...OFF_STATES),
      size: fc.constantFrom('small', 'middle', 'arm', 'huge'),
      address: fc.constantFrom('none' as const, 'fixed' as const),
      systemDisk: fc.record({
        kind: fc.constantFrom('steps', 'gib'),
        roomGiB: fc.integer({ min: 10, max: 100 }).map(gib),
      }),
    }),
    zone: fc.constantFrom('Etc/UTC', 'Europe/Lisbon', 'America/Halifax', 'Australia/Lord_Howe'),
    windows: fc.array(
      fc.record({
        day: fc.constantFrom(...EVERY_DAY),
        from: fc.integer({ min: 0, max: 1_439 }),
        length: fc.oneof(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 1, max: 1_440 })),
      }),
      { maxLength: 6 },
    ),
    increment: fc.constantFrom(1, 60, 3_600),
    month: fc.integer({ min: 0, max: 23 }),
  })
  fc.assert(
    fc.property(inputs, ({ machine, zone, windows, increment, month }) => {
      const week = weekOf(
        zone,
        windows.map(({ day, from, length }) => ({ day, from, to: from + length })),
      )
      const book: PriceBook = { ...SMALL_BOOK, billing: { minimumSeconds: 60, incrementSeconds: increment } }
      const span = billingMonth(addMonths('2027-01' as YearMonth, month)!, 'Etc/UTC')
      const { n, d } = machineTotal(resolved(machine, week, book), span)!
      const simple = simpleTotal({ ...SMALL_MACHINE, ...machine }, week, book, span)
      expect(simple.equals(new Fraction(n, d))).toBe(true)
    }),
    { seed: 1_000, numRuns: 30 },
  )
})

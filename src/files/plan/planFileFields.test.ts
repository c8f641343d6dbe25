import fc from 'fast-check'
import { demo, issuesOf, type PlanDraft } from '../testing/demoPlan.ts'
import { describe, expect, test } from 'vitest'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import { anyMachineOf, anyWeek } from '../../core/testing/anyMachines.ts'
import { DEMO_BOOKS } from '../../core/testing/demoBooks.ts'
import { readPlan, writePlan } from './planFile.ts'
import { randomRuns } from '../../core/testing/randomRuns.ts'

describe('what a machine may have beyond the first', () => {
  test('what it needs as it is now may be said or left out, which is the same', () => {
    const needs = { vcpu: 2, memoryGiB: 8, iops: 0 }
    const readNeeds = (more: object) => {
      const draft = demo() as unknown as PlanDraft
      draft.machines[0]!.needs = { ...needs, ...more }
      const read = readPlan(JSON.stringify(draft))
      return read.ok ? read.value.machines[0]!.needs : read.issues
    }
    const said = { architecture: 'as-now', disks: 'as-now', interruption: 'as-now', data: 'as-now' }
    expect(readNeeds(said)).toEqual(needs)
    const eased = { architecture: 'any', disks: 'any', interruption: 'any', data: 'any' }
    expect(readNeeds(eased)).toEqual({ ...needs, ...eased })
  })

  test('every field of any machine comes back from a file as it was', () => {
    const anyPlan = fc
      .constantFrom(...DEMO_BOOKS)
      .chain((book) =>
        fc
          .array(anyMachineOf(book, ['one']), { minLength: 1, maxLength: 3 })
          .map((machines) => machines.map((machine, i) => ({ ...machine, name: `machine ${i}` }))),
      )
    fc.assert(
      fc.property(anyPlan, anyWeek('one'), (machines, week) => {
        const windows = week.windows.filter(({ from, to }) => to - from <= 1_440)
        const plan = {
          name: 'Any',
          month: '2027-03' as YearMonth,
          weeks: [{ ...week, windows }],
          machines,
          currency: 'EUR',
          exchangeRates: [{ from: 'USD', to: 'EUR', rate: '0.9184', date: '2027-02-26' }],
          taxPercent: '7.5',
          providers: [
            { id: 'fennmark', account: { families: ['wren'], quotas: { vcpu: 8 } } },
            { id: 'tidewright', account: { used: [{ allowance: 'start', hoursPerMonth: 120 }] } },
          ],
        }
        const read = readPlan(writePlan(plan))
        expect(read.ok && read.value.machines).toEqual(machines)
        expect(read.ok && read.value.providers).toEqual(plan.providers)
        expect(read.ok && writePlan(read.value)).toBe(writePlan(plan))
      }),
      randomRuns(100),
    )
  })

  test.each<[string, (draft: PlanDraft & Record<string, unknown>) => void, string, RegExp]>([
    ['a currency that is none', (d) => (d.currency = 'EURO'), '/currency', /ISO 4217/],
    ['a tax above 100', (d) => (d.taxPercent = '101'), '/taxPercent', /from 0 to 100/],
    ['a tax that is a number', (d) => (d.taxPercent = 23), '/taxPercent', /text in quotes/],
    [
      'a rate of nothing',
      (d) => (d.exchangeRates = [rateOf({ rate: '0' })]),
      '/exchangeRates/0/rate',
      /above zero/,
    ],
    [
      'a rate below zero',
      (d) => (d.exchangeRates = [rateOf({ rate: '-1' })]),
      '/exchangeRates/0/rate',
      /above zero/,
    ],
    [
      'a rate from a currency to itself',
      (d) => (d.exchangeRates = [rateOf({ to: 'USD' })]),
      '/exchangeRates/0/to',
      /another value/,
    ],
    [
      'a rate of no date',
      (d) => (d.exchangeRates = [rateOf({ date: 'May' })]),
      '/exchangeRates/0/date',
      /2027-03-19/,
    ],
    [
      'more than all of a disk that changes',
      (d) =>
        (d.machines[0]!.systemDisk = diskOf({ snapshots: { every: 'day', kept: 2, changedPercent: 101 } })),
      '/machines/0/systemDisk/snapshots/changedPercent',
      /100/,
    ],
    [
      'snapshots by the minute',
      (d) =>
        (d.machines[0]!.systemDisk = diskOf({ snapshots: { every: 'minute', kept: 2, changedPercent: 1 } })),
      '/machines/0/systemDisk/snapshots/every',
      /day, week, month, stop/,
    ],
    [
      'a plate that is none',
      (d) => (d.machines[0]!.pinned = ['roof']),
      '/machines/0/pinned/0',
      /"disk-room"/,
    ],
    [
      'a range with host bits',
      (d) =>
        (d.machines[0]!.access = {
          inbound: [{ protocol: 'tcp', ports: { first: 22, last: 22 }, from: ['198.51.100.7/24'] }],
        }),
      '/machines/0/access/inbound/0/from/0',
      /198\.51\.100\.0\/24/,
    ],
    [
      'ports of icmp',
      (d) =>
        (d.machines[0]!.access = {
          inbound: [{ protocol: 'icmp', ports: { first: 22, last: 22 }, from: 'anyone' }],
        }),
      '/machines/0/access/inbound/0/ports',
      /./,
    ],
    [
      'a secret',
      (d) => (d.machines[0]!.access = { password: 'hunter2' }),
      '/machines/0/access/password',
      /no other fields/,
    ],
    [
      'a need that is none',
      (d) => (d.machines[0]!.needs = { vcpu: 2, memoryGiB: 8, iops: 0, keeps: ['sessions'] }),
      '/machines/0/needs/keeps/0',
      /memory/,
    ],
    [
      'a variant with a name of its own',
      (d) => (d.machines[0]!.variants = [{ number: 1, name: 'x', form: { ...d.machines[0]! } }]),
      '/machines/0/variants/0/form/name',
      /no other fields/,
    ],
    ['traffic below zero', (d) => (d.machines[0]!.trafficOutGiB = -1), '/machines/0/trafficOutGiB', /0/],
    [
      'half an IOPS on top',
      (d) => (d.machines[0]!.systemDisk = diskOf({ extraIops: 0.5 })),
      '/machines/0/systemDisk/extraIops',
      /integer/,
    ],
    [
      'disks that may grow',
      (d) => (d.machines[0]!.needs = { vcpu: 2, memoryGiB: 8, iops: 0, disks: 'larger' }),
      '/machines/0/needs/disks',
      /any/,
    ],
  ])('%s is refused', (_, breakIt, pointer, expected) => {
    const issues = issuesOf(breakIt as (draft: PlanDraft) => void)
    expect(issues.map((issue) => issue.pointer)).toEqual([pointer])
    expect(issues[0]!.expected).toMatch(expected)
  })
})

const rateOf = (part: object) => ({ from: 'USD', to: 'EUR', rate: '0.9', date: '2027-01-01', ...part })
const diskOf = (part: object) => ({ kind: 'ember', roomGiB: 64, ...part })

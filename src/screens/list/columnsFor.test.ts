import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { PlanPricing } from '../../core/meter/planPricing.ts'
import { platesOf } from '../../core/notches/plates.ts'
import { DEMO_BOOKS } from '../../core/testing/demoBooks.ts'
import { readPlan } from '../../files/plan/planFile.ts'
import { columnsFor } from './columnsFor.ts'

const read = readPlan(readFileSync('data/larkspur-trams.json', 'utf8'))
if (!read.ok) throw new Error('the demo is not valid')
const plan = read.value
const pricing = new PlanPricing({ plan, books: DEMO_BOOKS, month: plan.month, reading: 'calendar' })
const priced = pricing.of(plan.machines[1]!)
if (!priced.ok) throw new Error(JSON.stringify(priced.issues))
const { resolved, month, account } = priced
const elsewhere = pricing.elsewhere(resolved.index)
const inputs = { resolved, plan, month, shared: account.planned, elsewhere }
const plates = platesOf(inputs)

/** What each column says of one choice, by its id. */
function cells(plateId: string, key: string): Record<string, string> {
  const plate = plates.find(({ id }) => id === plateId)!
  const notch = plate.notches.find((each) => each.key === key)!
  return Object.fromEntries(columnsFor(plate, inputs, 'EUR').map(({ id, textOf }) => [id, textOf(notch)]))
}

describe('the list behind a plate of timetable-loadgen', () => {
  test('of sizes has the month under its own schedule, always on, and for each unit', () => {
    expect(cells('size', 'heron-4-16')).toMatchObject({
      name: 'Heron 4/16',
      month: '58.17',
      difference: '0.00',
      hour: '0.0782',
      vcpu: '4',
      memory: '16',
      architecture: 'x86-64',
      running: '0.2067',
      always: '166.32',
      'per-vcpu': '14.54',
      'per-gib': '3.64',
      hibernates: 'yes',
      spot: 'no',
    })
  })

  test('of places has every provider, distances, and what is not sold there', () => {
    const own = cells('place', 'fennmark-porto-b')
    expect(own).toMatchObject({ provider: 'Fennmark', jurisdiction: 'EU', 'km-Porto': '0', 'ms-Porto': '~4' })
    expect(own.missing).toMatch(/^\d+ of 48 sizes/)
    expect(cells('place', 'tidewright-kobe-a')).toMatchObject({
      name: 'Kobe a, Tidewright',
      difference: 'no price',
      country: 'JP',
    })
  })

  test('of disk kinds has what each gives at this room', () => {
    expect(cells('disk-kind', 'ember')).toMatchObject({ room: '128', boots: 'yes', sold: 'by steps' })
  })

  test('of room has what the machine gets of each step', () => {
    // 500 IOPS and 24 more a GiB, of which the machine lets 6,400 through; 60 MB/s and half a one more a GiB, of 192.
    expect(cells('disk-room', '128')).toMatchObject({
      room: '128', iops: '3,572', 'iops-by': 'its room', throughput: '124', 'throughput-by': 'its room',
    }) // prettier-ignore
    expect(cells('disk-room', '256')).toMatchObject({
      iops: '6,400',
      'iops-by': 'the machine',
      throughput: '188',
    })
    expect(cells('disk-room', '512')).toMatchObject({ throughput: '192', 'throughput-by': 'the machine' })
  })

  test('has no cell without words for it, on any plate', () => {
    for (const plate of plates) {
      for (const { id, textOf, valueOf } of columnsFor(plate, inputs, 'EUR')) {
        for (const notch of plate.notches) {
          expect(textOf(notch), `${plate.id} ${id}`).not.toMatch(/undefined|NaN|\[object/)
          if (valueOf(notch) === undefined) expect(['', 'no price']).toContain(textOf(notch))
        }
      }
    }
  })
})

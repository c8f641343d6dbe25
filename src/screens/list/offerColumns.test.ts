import { describe, expect, test } from 'vitest'
import { platesOf } from '../../core/notches/plates.ts'
import type { PlatesInputs } from '../../core/notches/plate.ts'
import type { PlateId } from '../../core/machine/decision.ts'
import { toNumber } from '../../core/quantity/exact.ts'
import { plateInputs } from '../../core/testing/plateInputs.ts'
import { SMALL_BOOK } from '../../core/testing/smallBook.ts'
import { commonColumns } from './commonColumns.ts'
import type { ShownColumn } from './listColumns.ts'
import { placeColumns } from './placeColumns.ts'
import { sizeColumns } from './sizeColumns.ts'

const LISBON = { name: 'Lisbon', latitude: 38.72, longitude: -9.14 }

/** What a list shows of each choice, by the choice's name and the column's id. */
function cells(inputs: PlatesInputs, id: PlateId, columns: readonly ShownColumn[]) {
  const plate = platesOf(inputs).find((each) => each.id === id)!
  const [name] = commonColumns(inputs, 'EUR')
  return new Map(
    plate.notches.map((notch) => [
      name!.textOf(notch),
      Object.fromEntries(columns.map(({ id: column, textOf }) => [column, textOf(notch)])),
    ]),
  )
}

describe('sizes', () => {
  const inputs = plateInputs({}, [SMALL_BOOK])
  const rows = cells(inputs, 'size', sizeColumns(inputs))

  test('are shown with what they have', () => {
    expect(rows.get('middle')).toMatchObject({
      vcpu: '4', memory: '16', architecture: 'x86-64', family: 'Plain', iops: '8,000', throughput: '100',
      hibernates: 'yes', spot: 'no', accelerator: '', local: '', disks: '2', network: '1,000',
    }) // prettier-ignore
    expect(rows.get('rare')).toMatchObject({ hibernates: 'no', disks: '1' })
    expect(rows.get('arm')).toMatchObject({ architecture: 'arm64' })
  })

  test('cost an hour what the book says, and a month always on what that comes to', () => {
    expect(rows.get('middle')!['running']).toBe('0.2067')
    // 744 hours at 0.2067 and the disk's 9.86.
    expect(rows.get('middle')!['always']).toBe('163.64')
    const [, month] = commonColumns(inputs, 'EUR')
    const plate = platesOf(inputs).find(({ id }) => id === 'size')!
    for (const notch of plate.notches) {
      const vcpu = Number(
        sizeColumns(inputs)
          .find(({ id }) => id === 'vcpu')!
          .textOf(notch),
      )
      const each = sizeColumns(inputs)
        .find(({ id }) => id === 'per-vcpu')!
        .valueOf(notch)
      if (!notch.total) continue
      expect(toNumber(each as never) * vcpu).toBeCloseTo(toNumber(notch.total), 9)
      expect(month!.textOf(notch)).toMatch(/^\d+\.\d\d$/)
    }
  })

  test('without a price say so, and nothing else about money', () => {
    // West does not sell it.
    const west = plateInputs({ region: 'west' }, [SMALL_BOOK])
    const columns = [...commonColumns(west, 'EUR'), ...sizeColumns(west)]
    expect(cells(west, 'size', columns).get('huge')).toMatchObject({
      month: '', difference: 'no price', hour: '', always: '', 'per-vcpu': '', vcpu: '16',
    }) // prettier-ignore
  })
})

describe('places', () => {
  const inputs = plateInputs({}, [SMALL_BOOK], { places: [LISBON] })
  const columns = placeColumns(inputs)
  const rows = [...cells(inputs, 'place', columns).values()]

  test('are shown, with jurisdiction and zones', () => {
    expect(
      rows.some(({ jurisdiction, country, zones }) => `${jurisdiction} ${country} ${zones}` === 'EU PT 2'),
    ).toBe(true)
    expect(columns.map(({ id }) => id)).toEqual([
      'provider', 'jurisdiction', 'country', 'ms Lisbon', 'km Lisbon', 'zones', 'fault domains', 'missing',
    ].map((id) => id.replace(' ', '-'))) // prettier-ignore
  })

  test('are as far as the great circle says, and what is estimated is marked', () => {
    for (const row of rows) expect(row['ms-Lisbon']).toMatch(/^~\d+$/)
    // From 38.72 N 9.14 W to 0 N 0 E: 4,400 km, to within the earth's flattening.
    const [east] = rows.filter(({ zones }) => zones === '2')
    expect(Number(east!['km-Lisbon']!.replace(',', ''))).toBeGreaterThan(4_350)
    expect(Number(east!['km-Lisbon']!.replace(',', ''))).toBeLessThan(4_450)
  })

  test('a measured round trip takes the place of the estimate', () => {
    const measured = [{ provider: 'mill', region: 'east', milliseconds: 131 }]
    const asked = plateInputs({}, [SMALL_BOOK], { places: [{ ...LISBON, measured }] })
    const found = [...cells(asked, 'place', placeColumns(asked)).values()]
    expect(found.filter((row) => row['ms-Lisbon'] === '131 measured')).not.toHaveLength(0)
    expect(found.filter((row) => row['ms-Lisbon']!.startsWith('~'))).not.toHaveLength(0)
  })

  test('say what is not sold there', () => {
    const missing = rows.map((row) => row['missing']!)
    // West, and the two zones of East, one of which has the rare size.
    expect(missing).toEqual(['3 of 5 sizes, Gibs, Data only, fixed addresses', '1 of 5 sizes', 'nothing'])
  })
})

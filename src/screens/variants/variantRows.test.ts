import { expect, test } from 'vitest'
import { gib } from '../../core/quantity/units.ts'
import type { Machine } from '../../core/machine/plan.ts'
import { SMALL_BOOK } from '../../core/testing/smallBook.ts'
import { pricedTogether } from '../../core/testing/smallPlan.ts'
import { VARIANT_ROWS } from './variantRows.ts'

/** The rows of a machine, by their labels. */
function rowsOf(part: Partial<Machine>): Map<string, string> {
  const [priced] = pricedTogether([part], SMALL_BOOK)
  return new Map(VARIANT_ROWS.map(({ label, textOf }) => [label, textOf(priced!)]))
}

test('a machine is set out row by row, as it would be read to someone', () => {
  const rows = rowsOf({ address: 'fixed', dataDisks: [{ kind: 'data-only', roomGiB: gib(64) }] })
  // 0.2067 for the machine, 18.86 / 744 for its disks, 0.0036 and 0.004 for the address.
  expect(rows.get('one hour running')).toBe('€ 0.2356')
  expect(rows.get('one hour off')).toBe('€ 0.0293')
  expect(rows.get('Place')).toContain('East')
  expect(rows.get('Memory')).toBe('16 GiB')
  expect(rows.get('Data disks')).toBe('Data only 64 GiB')
  expect(rows.get('When off')).toBe('Deallocated')
  expect(rows.get('Off, it loses')).toContain('emory')
  expect(rows.get('Does not fit')).toBe('fits')
})

test('what it cannot reach, does not lose, and why it does not fit is said', () => {
  const limited = rowsOf({ systemDisk: { kind: 'gib', roomGiB: gib(100) }, size: 'small', off: 'running' })
  expect(limited.get('IOPS it gets')).toBe('4,000 of 9,000')
  expect(limited.get('Off, it loses')).toBe('nothing')
  expect(limited.get('Data disks')).toBe('none')
  const small = rowsOf({ size: 'small', needs: { vcpu: 4, memoryGiB: gib(8), iops: 0 } })
  expect(small.get('Does not fit')).toMatch(/2 vCPU/)
})

test('the rows that differ between two forms are the ones that were decided, and what follows from them', () => {
  const [one, two] = [rowsOf({ off: 'deallocated' }), rowsOf({ off: 'hibernated' })]
  const differing = [...one.keys()].filter((label) => one.get(label) !== two.get(label))
  expect(differing).toContain('When off')
  expect(differing).toContain('Off, it loses')
  expect(differing).not.toContain('Size')
  expect(differing).not.toContain('always on, a month')
})

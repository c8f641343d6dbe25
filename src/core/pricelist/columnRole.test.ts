import { expect, test } from 'vitest'
import { fieldsOf, withRole } from './columnRole.ts'
import type { RowMeaning } from './listMapping.ts'

const column = (name: string) => ({ from: 'column', column: name }) as const
const MEANING: RowMeaning = {
  is: 'size-price',
  only: [],
  fields: {
    size: column('Offer'),
    vcpu: { ...column('Offer'), part: { by: 'number', at: 0 } },
    place: { from: 'constant', text: 'Porto' },
    price: column('EUR'),
  },
}

test('a column is taken for one thing, which no other column is then taken for', () => {
  expect(fieldsOf(MEANING, 'Offer')).toEqual(['size', 'vcpu'])
  expect(withRole(MEANING, 'Net', 'price').fields.price).toEqual(column('Net'))
  expect(withRole(MEANING, 'Offer', 'family').fields).toEqual({
    family: column('Offer'),
    place: { from: 'constant', text: 'Porto' },
    price: column('EUR'),
  })
  expect(withRole(MEANING, 'EUR', undefined).fields.price).toBeUndefined()
  expect(withRole(MEANING, 'Where', 'place').fields.place).toEqual(column('Where'))
})

test('of several columns of prices one more or one less', () => {
  const across: RowMeaning = {
    ...MEANING,
    prices: [{ column: 'Porto', place: 'Porto' }, { column: 'Leeds' }],
  }
  expect(withRole(across, 'Kobe', 'price').prices).toHaveLength(3)
  expect(withRole(across, 'Porto', undefined).prices).toEqual([{ column: 'Leeds' }])
  expect(withRole(across, 'Leeds', 'iops')).toMatchObject({
    prices: [{ column: 'Porto' }],
    fields: { iops: column('Leeds') },
  })
  const last = withRole(withRole(across, 'Porto', undefined), 'Leeds', undefined)
  expect(last.prices).toBeUndefined()
})

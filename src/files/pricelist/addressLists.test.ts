import { expect, test } from 'vitest'
import { bookOfList, linesOfList } from './testing/linesOfList.ts'

const SIZES = `size,vcpu,memory GiB,region,price per hour (EUR)
one,2,4,Porto,0.05
two,4,8,Porto,0.10
`

const addressesOf = async (rows: string) =>
  (await linesOfList({ 'sizes.csv': SIZES, 'addresses.csv': rows })).filter((line) =>
    line.includes('address'),
  )

test.each<[string, string, string]>([
  [
    'each use by itself',
    `address,region,while,price per hour (EUR)
fixed,Porto,attached to a running machine,0
fixed,Porto,attached to a stopped machine,0.004
fixed,Porto,unattached,0.006
`,
    'address, Porto: 0 / 0.004 / 0.006',
  ],
  [
    'held and loose, under a heading that says nothing',
    `ip address,region,kind,price per hour (EUR)
v4,Porto,in use,0.003
v4,Porto,idle,0.006
`,
    'address, Porto: 0.003 / 0.006',
  ],
  [
    'one price for all uses',
    `address,region,price per hour (EUR)\nfixed,Porto,0.005\n`,
    'address, Porto: 0.005',
  ],
])('%s', async (_, rows, expected) => {
  expect(await addressesOf(rows)).toEqual([expected])
})

test('what an address costs when nothing is said of its uses is assumed, and known where the list says all', async () => {
  const assumedOf = async (rows: string) =>
    (await bookOfList({ 'sizes.csv': SIZES, 'addresses.csv': rows })).book?.assumed?.map(({ about }) => about)
  expect(await assumedOf('address,region,price per hour (EUR)\nfixed,Porto,0.005\n')).toContain(
    'address-uses',
  )
  const all = `address,region,while,price per hour (EUR)
fixed,Porto,attached,0.003
fixed,Porto,unattached,0.006
`
  expect(await assumedOf(all)).not.toContain('address-uses')
})

import { expect, test } from 'vitest'
import { DEMO_BOOKS } from '../core/testing/demoBooks.ts'
import { SMALL_BOOK } from '../core/testing/smallBook.ts'
import { markedProvider, providerName } from './providerName.ts'

const [fennmark] = DEMO_BOOKS

test('what is invented says so beside what is not, and where it stands alone', () => {
  expect(fennmark!.provider.invented).toBe(true)
  expect(providerName(fennmark!, [...DEMO_BOOKS, SMALL_BOOK])).toBe('Fennmark (invented)')
  expect(providerName(fennmark!, DEMO_BOOKS)).toBe('Fennmark')
  expect(providerName(SMALL_BOOK, [fennmark!, SMALL_BOOK])).toBe('Mill')
  expect(markedProvider(fennmark!)).toBe('Fennmark (invented)')
})

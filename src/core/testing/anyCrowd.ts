import fc from 'fast-check'
import type { PriceBook } from '../catalogue/priceBook.ts'
import type { Machine } from '../machine/plan.ts'
import { anyMachineOf, anyWeek } from './anyMachines.ts'

/** Many machines of one or two forms, on one week, of a provider of these. */
export const anyCrowdAt = (books: readonly PriceBook[]) =>
  fc.tuple(fc.constantFrom(...books), anyWeek('one')).chain(([book, week]) =>
    fc
      .record({
        forms: fc.array(anyMachineOf(book, ['one']), { minLength: 1, maxLength: 2 }),
        likes: fc.array(fc.nat(1), { minLength: 6, maxLength: 14 }),
      })
      .map(({ forms, likes }) => ({
        weeks: [week],
        machines: likes.map((like, i): Machine => ({
          ...forms[like % forms.length]!,
          name: `machine ${i}`,
        })),
      })),
  )

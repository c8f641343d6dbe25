import type { AddressUse } from '../catalogue/regionPrices.ts'
import { wordsIn } from '../quantity/wordsIn.ts'

/** `attached`: to a machine, whether it runs or not. */
export type ListedAddressUse = Exclude<AddressUse, 'none'> | 'attached'

const words = (text: string): ReadonlySet<string> => new Set(text.split(' '))

/** What lists call the uses of an address; those that say most come first: "attached to a stopped machine" is off. */
const USE_WORDS: readonly (readonly [ListedAddressUse, ReadonlySet<string>])[] = [
  [
    'unattached',
    words('unattached unassigned unassociated unused detached idle reserved loose spare parked ungenutzt'),
  ],
  ['attachedOff', words('stopped off halted deallocated hibernated paused aus gestoppt')],
  ['attachedOn', words('running on active started live an laufend')],
  ['attached', words('attached assigned associated used use held bound genutzt')],
]

const NOT = words('not without no nicht ohne')

/** In which use an address costs what the row says: "attached to a running machine". */
export function addressUseOfText(text: string): ListedAddressUse | undefined {
  const said = wordsIn(text)
  const use = USE_WORDS.find(([, known]) => said.some((word) => known.has(word)))?.[0]
  const isDenied = said.some((word) => NOT.has(word))
  if (!isDenied) return use
  return use === 'attachedOn' ? 'attachedOff' : 'unattached'
}

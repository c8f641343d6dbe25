import type { StateRow } from './priceBook.ts'

/** Deleting is always possible, also where a provider does not sell it as a state: what goes with the machine goes. */
export const GONE: StateRow = {
  compute: false,
  licence: false,
  disks: false,
  address: 'unattached',
  memoryImage: false,
}

import type { Inventory, InventoryInputs } from '../files/inventory/inventory.ts'
import { WorkerAsker } from './WorkerAsker.ts'

/** Reads tables of machines off the page's thread; reports how many rows are read. */
export const inventoryAsker = () =>
  new WorkerAsker<InventoryInputs, Inventory, number>(
    () => new Worker(new URL('./inventory.worker.ts', import.meta.url), { type: 'module' }),
    'Reading the rows failed. Nothing was changed.',
  )

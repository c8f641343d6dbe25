import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { Plan } from '../../core/machine/plan.ts'
import type { Export } from '../../files/writeExport.ts'
import { exportAsker } from '../../workers/askers.ts'
import { download } from './download.ts'

const loadNames = () => import('./fileName.ts')
const loadWriting = () => import('../../files/writeExport.ts')

/** Fetches what writes files in an idle moment: what cannot be stored must be able to leave without a network, too. */
export const loadExports = () => Promise.all([loadNames(), loadWriting()])

/** Writes a file away from the page, or on it where no worker can be begun, and hands it to the browser to be saved. */
export async function saveExport(name: string, asked: Export, type?: string): Promise<void> {
  const text = await exportAsker()
    .askOnce(asked)
    .answer.catch(async () => (await loadWriting()).writeExport(asked))
  download(name, text, type)
}

export async function savePlan(plan: Plan): Promise<void> {
  const { fileName } = await loadNames()
  await saveExport(`${fileName(plan.name)}.plan.json`, { what: 'plan', plan })
}

export async function saveBook(book: PriceBook): Promise<void> {
  const { fileName } = await loadNames()
  await saveExport(`${book.provider.id}-${fileName(book.edition)}.book.json`, { what: 'book', book })
}

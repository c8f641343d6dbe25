import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { Plan } from '../../core/machine/plan.ts'
import type { Export } from '../../files/writeExport.ts'
import { exportAsker } from '../../workers/askers.ts'
import { download, fileName } from './download.ts'

/** Fetched in an idle moment too: what cannot be stored must be able to leave when there is no network any more. */
export const loadExports = () => import('../../files/writeExport.ts')

/** Writes a file away from the page, or on it where no worker can be begun, and hands it to the browser to be saved. */
export async function saveExport(name: string, asked: Export, type?: string): Promise<void> {
  const text = await exportAsker()
    .askOnce(asked)
    .answer.catch(async () => (await loadExports()).writeExport(asked))
  download(name, text, type)
}

export const savePlan = (plan: Plan): Promise<void> =>
  saveExport(`${fileName(plan.name)}.plan.json`, { what: 'plan', plan })

export const saveBook = (book: PriceBook): Promise<void> =>
  saveExport(`${book.provider.id}-${fileName(book.edition)}.book.json`, { what: 'book', book })

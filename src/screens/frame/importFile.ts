import { KIND_BYTES, knownKind, wrongDoor } from '../../files/reading/knownKind.ts'
import { keepText } from '../../files/reading/keptText.ts'
import { MOST_BYTES, tooLarge } from '../../files/reading/readJson.ts'
import { replaceOpenPlan } from '../../store/openPlan.ts'
import { considerProviders } from '../../store/providerCommands.ts'
import { importAsker } from '../../workers/askers.ts'
import { beginBill } from '../workbench/openBill.ts'
import type { WorkbenchValue } from '../workbench/WorkbenchContext'
import type { ImportReport } from './importReport.ts'

/** Files that hold a table of machines, by their names. */
const TABLE = /\.(csv|tsv|txt)$/i

type Into = Pick<WorkbenchValue, 'session' | 'address' | 'go'>

/**
 * Reads a file away from the page, takes what is in it into use, and says what became of it. Tables of machines and bills
 * have screens of their own. `onReading` gets what gives the reading up.
 */
export async function importFile(
  file: File,
  { session, address, go }: Into,
  onReading: (cancel: () => void) => void,
): Promise<ImportReport | 'table' | 'bill'> {
  const start = new Uint8Array(await file.slice(0, KIND_BYTES).arrayBuffer())
  if (knownKind(start, file.name) === 'bill') {
    beginBill([file])
    go({ view: 'bill' })
    return 'bill'
  }
  const other = wrongDoor(start, file.name, 'import')
  if (other) return { name: file.name, issues: [other] }
  if (TABLE.test(file.name) && !/^(plan|price book|JSON)$/.test(knownKind(start, file.name) ?? '')) {
    return file.size > MOST_BYTES ? { name: file.name, issues: [tooLarge(file.size)] } : 'table'
  }
  const { answer, cancel } = importAsker().askOnce({ file, books: session.snapshot().books })
  const given = new Promise<'cancelled'>((resolve) =>
    onReading(() => {
      cancel()
      resolve('cancelled')
    }),
  )
  const read = await Promise.race([answer, given])
  if (read === 'cancelled') return { name: file.name, text: `${file.name} was not read.` }
  if (!read.ok) return { name: file.name, issues: read.issues }
  if (read.value.kind === 'book') {
    const { book, json } = read.value
    if (json !== undefined) keepText(book, json)
    const { provider, edition, valid } = book
    const before = session
      .snapshot()
      .books.find((each) => each.provider.id === provider.id && each.edition === edition)
    await session.books.add(book)
    const { providers: named } = session.snapshot().plan
    if (named && named.every(({ id }) => id !== provider.id)) {
      session.edit(`consider ${provider.name}`, considerProviders([provider.id]))
    }
    const text = `${provider.name}, edition ${edition}, is in use from ${valid.from} on.`
    const takeBack = () => void (before ? session.books.add(before) : session.books.remove(book))
    return { name: file.name, text, takeBack }
  }
  if (read.value.kind === 'recipe') {
    const { recipe } = read.value
    await session.books.recipes.keep(recipe)
    return {
      name: file.name,
      text: `Price lists of this shape are read as those of ${recipe.provider.name} from now on.`,
    }
  }
  if (read.value.kind === 'bill-recipe') {
    const { recipe } = read.value
    const { billRecipesOf } = await import('../../store/BillRecipes.ts')
    await billRecipesOf(session).keep(recipe)
    return {
      name: file.name,
      text: `Bills of this shape are read as those of ${recipe.provider} from now on.`,
    }
  }
  const { plan } = read.value
  replaceOpenPlan(session, `import ${file.name}`, plan)
  // Whoever looked for prices has a plan now.
  const view = address.view === 'prices' ? 'bench' : address.view
  go({ machine: plan.machines[0]?.name, month: plan.month, view })
  return { name: file.name, text: `${plan.name} is open. Undo brings the plan before it back.` }
}

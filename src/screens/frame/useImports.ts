'use client'

import { useRef, useState } from 'react'
import type { FileIssue } from '../../files/reading/fileIssue.ts'
import { KIND_BYTES, knownKind, wrongDoor } from '../../files/reading/knownKind.ts'
import { MOST_BYTES, tooLarge } from '../../files/reading/readJson.ts'
import { keepText } from '../../files/reading/keptText.ts'
import { importAsker } from '../../workers/askers.ts'
import { beginBill } from '../workbench/openBill.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { considerProviders } from '../../store/providerCommands.ts'
import { replaceOpenPlan } from '../../store/openPlan.ts'

/** What became of a file. */
type Report =
  | { readonly name: string; readonly text: string; readonly takeBack?: () => void }
  | { readonly name: string; readonly issues: readonly FileIssue[] }

type Current =
  | { readonly at: 'none' }
  | { readonly at: 'reading'; readonly name: string; readonly cancel: () => void }
  | { readonly at: 'table'; readonly name: string; readonly bytes: Uint8Array }

interface Imports {
  readonly current: Current
  readonly reports: readonly Report[]
  readonly take: (files: readonly File[]) => void
  /** The table that is open is done with. */
  readonly closeTable: () => void
  readonly clear: () => void
}

/** Files that hold a table of machines, by their names. */
const TABLE = /\.(csv|tsv|txt)$/i

/**
 * Takes files in, one after the other in the order in which they came, each with its report. A plan that is refused is
 * read once more after price books that came with it. A file that is refused changes nothing.
 */
export function useImports(): Imports {
  const { session, address, go } = useWorkbench()
  const [current, setCurrent] = useState<Current>({ at: 'none' })
  const [reports, setReports] = useState<readonly Report[]>([])
  const queue = useRef<File[]>([])
  const isBusy = useRef(false)
  const tableClosed = useRef<() => void>(undefined)

  const readFile = async (file: File): Promise<Report | 'table' | 'bill'> => {
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
    const given = new Promise<'cancelled'>((resolve) => {
      setCurrent({
        at: 'reading',
        name: file.name,
        cancel: () => {
          cancel()
          resolve('cancelled')
        },
      })
    })
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

  const reportOf = async (file: File): Promise<Report | 'table' | 'bill'> => {
    try {
      return await readFile(file)
    } catch (error) {
      const problem = error instanceof Error ? error.message : 'The file could not be read.'
      const issue: FileIssue = {
        code: 'not-json',
        pointer: '',
        problem,
        expected: 'a file that can be read.',
      }
      return { name: file.name, issues: [issue] }
    }
  }

  const work = async (): Promise<void> => {
    if (isBusy.current) return
    isBusy.current = true
    const again: File[] = []
    for (let file = queue.current.shift(); file; file = queue.current.shift()) {
      const report = await reportOf(file)
      if (report === 'table') {
        setCurrent({ at: 'table', name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) })
        await new Promise<void>((resolve) => (tableClosed.current = resolve))
      } else if (report === 'bill') {
        // Its own screen says what becomes of it.
      } else if ('issues' in report && !again.includes(file) && queue.current.length > 0) {
        // Its provider may be in a file that comes after it.
        again.push(file)
        queue.current.push(file)
      } else {
        setReports((all) => [...all, report])
      }
      setCurrent({ at: 'none' })
    }
    isBusy.current = false
  }

  return {
    current,
    reports,
    take: (files) => {
      // Where a bill is looked for, what is no document of ours is one.
      if (address.view === 'bill' && files.length > 0 && files.every(({ name }) => !/\.json$/i.test(name))) {
        beginBill(files)
        return
      }
      if (!isBusy.current) setReports([])
      queue.current.push(...files)
      void work()
    },
    closeTable: () => tableClosed.current?.(),
    clear: () => setReports([]),
  }
}

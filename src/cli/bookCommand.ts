import { openAsBlob, writeFileSync } from 'node:fs'
import { parseDate } from '../core/calendar/civil.ts'
import type { Outcome } from '../core/outcome.ts'
import type { FileIssue } from '../files/reading/fileIssue.ts'
import type { ListReading } from '../files/pricelist/listAnswer.ts'
import { readList } from '../files/pricelist/readList.ts'
import { readRecipe } from '../files/pricelist/recipeFile.ts'
import { columnsLacking } from '../core/pricelist/priceRecipe.ts'
import { writePriceBook } from '../files/priceBook/priceBookFile.ts'
import { leftOutText } from '../wording/list'
import { inputText, lineOf } from './bookInputs.ts'
import type { CommandRun } from './CommandRun.ts'

export interface BookOptions {
  readonly recipe: string
  readonly list: string
  readonly validFrom: string
  readonly out: string
}

/** Makes a price book of a list by a recipe: the same bytes as on the screen. Problems are one line each, status 2. */
export async function bookCommand(options: BookOptions, run: CommandRun): Promise<void> {
  if (parseDate(options.validFrom) === undefined) {
    run.refuse([`--valid-from ${options.validFrom}: a date such as 2027-03-01.`])
  }
  const recipe = readRecipe(inputText(options.recipe, 'a recipe file', run))
  if (!recipe.ok) return run.refuse(recipe.issues.map((issue) => lineOf(options.recipe, issue)))
  const { provider, manner, mapping, assumed } = recipe.value
  const source = { kind: 'file', file: await blobOf(options.list, run), name: options.list } as const
  const question = { source, provider, manner, mapping, from: options.validFrom, ...(assumed && { assumed }) }
  const answer = await answerOf(readList(question), options.list, run)
  if (!answer.ok) return run.refuse(answer.issues.map((issue) => lineOf(options.list, issue)))
  const { columns, book, issues, leftOut, contradictions, used, rows } = answer.value
  const lacking = columnsLacking(recipe.value, columns)
  if (lacking.length > 0) {
    return run.refuse(
      lacking.map((column) => `${options.list}: there is no column “${column}”, which the recipe reads.`),
    )
  }
  if (!book) {
    return run.refuse([
      ...issues.map((issue) => lineOf(options.list, issue)),
      ...leftOut.map(
        (each) =>
          `${options.list}: ${each.rows} rows ${leftOutText(each.leftOut)}, row ${each.examples[0]!}.`,
      ),
      `${options.list}: no price could be read.`,
    ])
  }
  writeFileSync(options.out, writePriceBook(book))
  run.print(
    `${options.out}: ${book.sizes.length} sizes in ${book.regions.length} places, from ${used} of ${rows} rows.\n`,
  )
  for (const { leftOut: why, rows: count, examples } of leftOut) {
    run.print(`${count} rows ${leftOutText(why)}, row ${examples[0]!} first.\n`)
  }
  for (const { about, of, place, first, second } of contradictions) {
    run.print(
      `rows ${first.row} and ${second.row}: two answers for the ${about} of ${of}${place === undefined ? '' : ` in ${place}`}, ${first.value} and ${second.value}; the first stands.\n`,
    )
  }
}

async function blobOf(path: string, run: CommandRun): Promise<Blob> {
  try {
    return await openAsBlob(path)
  } catch {
    return run.refuse([`${path} cannot be read. Expected: a price list.`])
  }
}

async function answerOf(
  steps: AsyncGenerator<number, Outcome<ListReading, FileIssue>>,
  path: string,
  run: CommandRun,
): Promise<Outcome<ListReading, FileIssue>> {
  try {
    for (;;) {
      const step = await steps.next()
      if (step.done) return step.value
    }
  } catch (error) {
    return run.refuse([`${path}: ${(error as Error).message}`])
  }
}

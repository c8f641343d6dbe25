import { openAsBlob, writeFileSync } from 'node:fs'
import { parseDate } from '../core/calendar/civil.ts'
import type { Outcome } from '../core/outcome.ts'
import type { FileIssue } from '../files/reading/fileIssue.ts'
import type { ListReading } from '../files/pricelist/listAnswer.ts'
import { readList } from '../files/pricelist/readList.ts'
import { readRecipe } from '../files/pricelist/recipeFile.ts'
import { writePriceBook } from '../files/priceBook/priceBookFile.ts'
import { leftOutText } from '../wording/list'
import { inputText, lineOf } from './bookInputs.ts'
import type { CommandRun } from './CommandRun.ts'

export interface BookOptions {
  readonly recipe: string
  readonly list: readonly string[]
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
  const { provider, manner } = recipe.value
  const files = await Promise.all(options.list.map(async (name) => ({ name, file: await blobOf(name, run) })))
  const lists = options.list.join(', ')
  const question = {
    source: { kind: 'files', files } as const,
    provider,
    manner,
    recipes: [recipe.value],
    onlyByRecipe: true,
    from: options.validFrom,
  }
  const answer = await answerOf(readList(question), lists, run)
  if (!answer.ok) return run.refuse(answer.issues.map((issue) => lineOf(lists, issue)))
  const { book, issues, leftOut, contradictions, joins, used, rows } = answer.value
  if (!book) {
    return run.refuse([
      ...issues.map((issue) => lineOf(lists, issue)),
      ...leftOut.map(
        (each) => `${lists}: ${each.rows} rows ${leftOutText(each.leftOut)}, row ${each.examples[0]!}.`,
      ),
      `${lists}: no price could be read.`,
    ])
  }
  for (const { join, found, lacking, examples } of joins) {
    if (lacking > 0) {
      run.print(
        `${lacking} of ${found + lacking} rows of ${join.table} found no row of ${join.with}: ${examples.slice(0, 5).join(', ')}.\n`,
      )
    }
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

import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { readPlan } from '../../src/files/plan/planFile.ts'
import { readPriceBook } from '../../src/files/priceBook/priceBookFile.ts'
import type { Outcome } from '../../src/core/outcome.ts'

export const dynamic = 'force-static'

const BOOKS = ['fennmark', 'tidewright', 'plinthouse', 'quarry-row-2026-10', 'quarry-row-2027-07']

/** The demo, checked when the program is built by the same gate as any file: a page that fetches it need not. */
export function GET(): Response {
  const plan = demoFile('larkspur-trams', readPlan)
  return Response.json({ plan, books: BOOKS.map((name) => demoFile(name, readPriceBook)) })
}

function demoFile<T>(name: string, read: (text: string) => Outcome<T, unknown>): T {
  const found = read(readFileSync(join(process.cwd(), 'data', `${name}.json`), 'utf8'))
  if (!found.ok) throw new Error(`data/${name}.json, which ships with the project, is not valid.`)
  return found.value
}

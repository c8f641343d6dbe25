import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { PRICE_BOOK_KIND } from '../files/priceBook/priceBookDocument.ts'

const HEAD = 2_000

/** A book's own path, or every price book among the JSON files of a folder, in the order of their names. */
export function bookFiles(path: string): string[] {
  if (!isFolder(path)) return [path]
  return readdirSync(path)
    .filter((name) => name.endsWith('.json'))
    .sort()
    .map((name) => join(path, name))
    .filter((file) => readFileSync(file, 'utf8').slice(0, HEAD).includes(`"${PRICE_BOOK_KIND}/`))
}

function isFolder(path: string): boolean {
  try {
    return statSync(path).isDirectory()
  } catch {
    // Reading it will say what is wrong.
    return false
  }
}

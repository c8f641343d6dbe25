import { readFileSync } from 'node:fs'
import type { PriceBook } from '../catalogue/priceBook.ts'

const read = (name: string): PriceBook => JSON.parse(readFileSync(`data/${name}.json`, 'utf8')) as PriceBook

/** The books that ship with the project, one of each provider; other tests check that they are valid. */
export const DEMO_BOOKS: readonly PriceBook[] = [
  'fennmark',
  'tidewright',
  'plinthouse',
  'quarry-row-2026-10',
].map(read)

import { mkdirSync, writeFileSync } from 'node:fs'
import { copperbeck, saltmarsh } from '../src/files/pricelist/testing/inventedLists.ts'

/** Writes the invented price lists that ship with the program: `npm run lists`. */
mkdirSync('data/lists', { recursive: true })
writeFileSync('data/lists/saltmarsh.csv', saltmarsh().text)
writeFileSync('data/lists/copperbeck.csv', copperbeck().text)

import { mkdirSync, writeFileSync } from 'node:fs'
import { INVENTED_LISTS } from '../src/files/pricelist/testing/inventedLists.ts'
import { saltmarsh } from '../src/files/pricelist/testing/saltmarsh.ts'

/**
 * Writes the invented price lists that ship with the program: `npm run lists`; with `-- large` one of 600 sizes in 20
 * places with 3 systems and 5 terms as well, which is not kept.
 */
mkdirSync('data/lists', { recursive: true })
for (const { files } of Object.values(INVENTED_LISTS).map((list) => list())) {
  for (const { name, content } of files) writeFileSync(`data/lists/${name}`, content)
}
if (process.argv.includes('large')) {
  mkdirSync('.stamps', { recursive: true })
  const [file] = saltmarsh({ sizes: 600, places: 20, systems: 3, terms: 5 }).files
  writeFileSync('.stamps/saltmarsh-large.csv', file!.content)
}

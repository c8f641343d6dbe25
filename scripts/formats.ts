/** Writes what docs/formats says of each file format in JSON Schema. */
import { writeFileSync } from 'node:fs'
import { FORMATS, formatSchema } from '../src/files/formats/formats.ts'

for (const format of FORMATS) {
  writeFileSync(
    `docs/formats/${format.file}.schema.json`,
    `${JSON.stringify(formatSchema(format), null, 2)}\n`,
  )
}

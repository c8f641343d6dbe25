// `npm run land`: writes the outline of the world that the map of places is drawn on.
import { writeFileSync } from 'node:fs'
import { landOutline } from './landOutline.ts'

writeFileSync('src/screens/market/land.json', `{ "path": ${JSON.stringify(landOutline())} }\n`)

import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { NextConfig } from 'next'

/** Where the code is that checks what is stored, and what that code is made of. */
const CHECKING = ['src/files', 'src/core']

const checks = createHash('sha256')
for (const folder of CHECKING) {
  const files = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((name) =>
    /\.ts$/.test(name),
  )
  for (const name of files.sort()) checks.update(name).update(readFileSync(join(folder, name)))
}

const config: NextConfig = {
  compiler: { styledComponents: true },
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  env: { NEXT_PUBLIC_CHECKS: checks.digest('hex').slice(0, 16) },
}

export default config

import { buildSync } from 'esbuild'
import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { NextConfig } from 'next'
import { PHASE_DEVELOPMENT_SERVER, PHASE_PRODUCTION_BUILD } from 'next/constants'

/** Where the code is that checks what is stored, and what that code is made of. */
const CHECKING = ['src/files', 'src/core']

const checks = createHash('sha256')
for (const folder of CHECKING) {
  const files = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((name) =>
    /\.ts$/.test(name),
  )
  for (const name of files.sort()) checks.update(name).update(readFileSync(join(folder, name)))
}

/** Threads of the server, which the bundler of the pages does not pack. */
const buildThreads = (): void => {
  buildSync({
    entryPoints: ['src/server/estimate.thread.ts'],
    bundle: true,
    platform: 'node',
    format: 'cjs',
    outfile: '.stamps/estimate.thread.cjs',
  })
}

/** On everything that leaves, files of the build among it; pages also have their content security policy. */
const EVERYWHERE = [
  { key: 'x-content-type-options', value: 'nosniff' },
  { key: 'referrer-policy', value: 'no-referrer' },
  { key: 'cross-origin-opener-policy', value: 'same-origin' },
  { key: 'cross-origin-resource-policy', value: 'same-origin' },
  {
    key: 'permissions-policy',
    value: 'camera=(), microphone=(), geolocation=(), payment=(), usb=(), display-capture=()',
  },
]

const config: NextConfig = {
  compiler: { styledComponents: true },
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  turbopack: {
    rules: { 'intlStrings.mjs': { loaders: [join(process.cwd(), 'scripts/englishStrings.cjs')] } },
  },
  // `npm test` checks the types, of tests and scripts too; once is enough.
  typescript: { ignoreBuildErrors: true },
  env: { NEXT_PUBLIC_CHECKS: checks.digest('hex').slice(0, 16) },
  headers: () => Promise.resolve([{ source: '/:path*', headers: EVERYWHERE }]),
}

export default function configFor(phase: string): NextConfig {
  if (phase === PHASE_PRODUCTION_BUILD || phase === PHASE_DEVELOPMENT_SERVER) buildThreads()
  return config
}

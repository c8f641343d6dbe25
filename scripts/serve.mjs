import { spawn } from 'node:child_process'
import { buildIfChanged, nextCommand, NO_TELEMETRY, ROOT } from './prepare.mjs'

/** Builds if needed and serves on the loopback; answers the server's process once pages are answered. */
export async function serve(port) {
  buildIfChanged()
  const server = spawn(
    process.execPath,
    nextCommand('start', '--hostname', '127.0.0.1', '--port', String(port)),
    { cwd: ROOT, env: { ...process.env, ...NO_TELEMETRY }, stdio: 'ignore' },
  )
  for (let tries = 0; tries < 100; tries += 1) {
    const isUp = await fetch(`http://127.0.0.1:${port}/`).then(
      ({ ok }) => ok,
      () => false,
    )
    if (isUp) return server
    await new Promise((resolve) => setTimeout(resolve, 200))
  }
  server.kill()
  throw new Error(`Nothing answers on port ${port}.`)
}

import { spawn } from 'node:child_process'
import { createServer } from 'node:net'

interface BenchServer {
  readonly address: string
  readonly stop: () => void
}

const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const probe = createServer()
    probe.on('error', reject)
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number }
      probe.close(() => resolve(port))
    })
  })

/** The built page on a port of its own, unless an address is given as the argument. The build must stand. */
export async function benchServer(): Promise<BenchServer> {
  const given = process.argv[2]
  if (given !== undefined) return { address: given, stop: () => undefined }
  const port = await freePort()
  const next = ['node_modules/next/dist/bin/next', 'start', '--hostname', '127.0.0.1', '--port', String(port)]
  const server = spawn(process.execPath, next, {
    stdio: 'ignore',
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
  })
  const address = `http://127.0.0.1:${port}/`
  for (let tries = 0; tries < 120; tries += 1) {
    if (
      await fetch(address).then(
        ({ ok }) => ok,
        () => false,
      )
    )
      return { address, stop: () => server.kill() }
    await new Promise((resolve) => setTimeout(resolve, 250))
  }
  server.kill()
  throw new Error('The server does not answer. Is there a build? npm start makes one.')
}

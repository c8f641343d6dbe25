// `npm start`: installs what is missing, builds if the sources changed, serves on this machine, prints the address.
import { spawn } from 'node:child_process'
import { createServer } from 'node:net'
import { buildIfChanged, ensureInstalled, nextCommand, NO_TELEMETRY, ROOT } from './prepare.mjs'

const FIRST_PORT = Number(process.env.PORT ?? 4310)
const HOST = '127.0.0.1'
const PORTS_TO_TRY = 50

if (!Number.isInteger(FIRST_PORT) || FIRST_PORT < 1 || FIRST_PORT > 65_535) {
  console.error(`PORT is "${process.env.PORT}". Expected: a port from 1 to 65535.`)
  process.exit(2)
}

const isFree = (port) =>
  new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen(port, HOST, () => probe.close(() => resolve(true)))
  })

async function freePort() {
  for (let port = FIRST_PORT; port < Math.min(65_536, FIRST_PORT + PORTS_TO_TRY); port += 1) {
    if (await isFree(port)) return port
    console.log(`Port ${port} is taken.`)
  }
  console.error(`No free port from ${FIRST_PORT} on. Set PORT to another one.`)
  process.exit(2)
}

try {
  ensureInstalled()
  buildIfChanged()
} catch (error) {
  console.error(error.message)
  process.exit(1)
}
const port = await freePort()
const server = spawn(process.execPath, nextCommand('start', '--hostname', HOST, '--port', String(port)), {
  cwd: ROOT,
  env: { ...process.env, ...NO_TELEMETRY },
  stdio: ['ignore', 'pipe', 'inherit'],
})
server.stdout.on('data', (data) => {
  if (String(data).includes('Ready')) console.log(`Notchgauge is at http://${HOST}:${port}/`)
})
server.on('exit', (code) => process.exit(code ?? 0))
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))

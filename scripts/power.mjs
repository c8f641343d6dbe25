import { request } from 'node:http'

/** `npm run --silent power -- ACTION MACHINE REGION`: tells the practice provider on this machine to switch a machine. */
const [action, machine, region] = process.argv.slice(2)
const base = process.env.NOTCHGAUGE_PRACTICE ?? 'http://127.0.0.1:4399'

if (region === undefined) {
  console.error('Usage: npm run --silent power -- ACTION MACHINE REGION')
  process.exit(2)
}
const path = [region, machine].map(encodeURIComponent).join('/')
const asked = request(`${base}/machines/${path}/power`, {
  method: 'POST',
  agent: false,
  headers: { 'content-type': 'application/json' },
})
asked.on('error', () => {
  console.error(
    `The practice provider does not answer at ${base}. Start it: npm run practice -- --book FILE --at TIME`,
  )
  process.exitCode = 1
})
asked.on('response', async (answer) => {
  let text = ''
  for await (const part of answer) text += part
  const said = JSON.parse(text)
  if (answer.statusCode === 200) {
    console.log(`${said.name}: ${said.state}`)
  } else {
    console.error(`${said.detail} Expected: ${said.expected}`)
    process.exitCode = 1
  }
})
asked.end(JSON.stringify({ action }))

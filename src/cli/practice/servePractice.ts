import { createServer, type IncomingMessage, type Server } from 'node:http'
import { allowedHosts, isAllowedHost } from '../../server/allowedHosts.ts'
import { practiceProblem, type PracticeAnswer } from './practiceAnswer.ts'
import type { PracticeService } from './PracticeService.ts'

export const PRACTICE_PORT = 4_399
const MOST_BYTES = 1024 * 1024
const LONGEST_MS = 10_000

/** Only for this machine, whatever its network is; resolves once it listens. */
export function servePractice(service: PracticeService, port: number): Promise<Server> {
  const hosts = allowedHosts(undefined)
  const server = createServer((request, response) => {
    void answerTo(request, service, hosts).then(({ status, type, body }) => {
      response.writeHead(status, { 'content-type': type, 'cache-control': 'no-store' })
      response.end(body)
    })
  })
  server.requestTimeout = LONGEST_MS
  return new Promise((resolve, reject) => {
    server.once('error', reject)
    server.listen(port, '127.0.0.1', () => resolve(server))
  })
}

async function answerTo(
  request: IncomingMessage,
  service: PracticeService,
  hosts: ReadonlySet<string>,
): Promise<PracticeAnswer> {
  try {
    if (!isAllowedHost(request.headers.host ?? null, hosts)) {
      return practiceProblem(421, 'The service is not known by that host name.', '127.0.0.1')
    }
    const url = new URL(request.url ?? '/', 'http://127.0.0.1')
    const body = await bodyOf(request)
    if (body === undefined) return practiceProblem(413, 'The body is too large.', 'at most 1 MiB.')
    return service.answer({
      method: request.method ?? 'GET',
      path: url.pathname.split('/').filter(Boolean).map(decodeURIComponent),
      query: new Map(url.searchParams),
      body,
    })
  } catch (error) {
    if (error instanceof URIError) return practiceProblem(400, 'The path cannot be read.', 'an encoded path.')
    console.error(error)
    return practiceProblem(500, 'The service failed.', 'another request.')
  }
}

async function bodyOf(request: IncomingMessage): Promise<string | undefined> {
  const parts: Buffer[] = []
  let bytes = 0
  for await (const part of request) {
    bytes += (part as Buffer).byteLength
    if (bytes > MOST_BYTES) return undefined
    parts.push(part as Buffer)
  }
  return Buffer.concat(parts).toString('utf8')
}

import { allowedHosts, isAllowedHost } from './allowedHosts.ts'
import { OPEN_API } from './openApi.ts'
import { OTHER_HOST, problemResponse, wholeProblem } from './problem.ts'

/** Everything the service says of a request to `GET /api/openapi.json`. */
export function describeService(request: Request, hosts = allowedHosts(process.env.HOSTS)): Response {
  const said = { method: request.method, path: '/api/openapi.json' }
  if (!isAllowedHost(request.headers.get('host'), hosts)) return problemResponse(OTHER_HOST, said)
  if (request.method !== 'GET' && request.method !== 'HEAD') {
    const answer = wholeProblem(405, 'other-method', 'The description is read with GET.', 'GET.')
    return problemResponse(answer, said, { allow: 'GET, HEAD, OPTIONS' })
  }
  return Response.json(OPEN_API)
}

import { describeService } from '../../../src/server/describeService.ts'

const answer = (request: Request): Response => describeService(request)

export const GET = answer
export const POST = answer
export const PUT = answer
export const PATCH = answer
export const DELETE = answer

export const OPTIONS = (): Response =>
  new Response(null, { status: 204, headers: { allow: 'GET, HEAD, OPTIONS' } })

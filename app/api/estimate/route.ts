import { estimateService } from '../../../src/server/estimateService.ts'
import { sharedService } from '../../../src/server/sharedService.ts'

const answer = (request: Request): Promise<Response> => estimateService(request, sharedService)

// Each method by its name: what the framework answers to others has neither a body nor the methods that would do.
export const POST = answer
export const GET = answer
export const PUT = answer
export const PATCH = answer
export const DELETE = answer

export const OPTIONS = (): Response =>
  new Response(null, { status: 204, headers: { allow: 'POST, OPTIONS' } })

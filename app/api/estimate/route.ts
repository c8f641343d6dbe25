import { estimateAnswer } from '../../../src/server/estimateAnswer.ts'

export async function POST(request: Request): Promise<Response> {
  const { status, body } = await estimateAnswer(request)
  return Response.json(body, { status, headers: { 'cache-control': 'no-store' } })
}

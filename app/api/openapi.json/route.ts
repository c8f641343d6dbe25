import { OPEN_API } from '../../../src/server/openApi.ts'

export const GET = (): Response => Response.json(OPEN_API)

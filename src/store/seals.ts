import type { NotchgaugeDatabase } from './database.ts'

declare global {
  // eslint-disable-next-line @typescript-eslint/no-namespace -- how Node's types are added to
  namespace NodeJS {
    interface ProcessEnv {
      /** Stands for the code that checks what is stored: another one trusts no seal of this one. */
      readonly NEXT_PUBLIC_CHECKS?: string
    }
  }
}

const CHECKS = process.env.NEXT_PUBLIC_CHECKS ?? 'unbuilt'

export const PLAN_SEAL = 'plan'
export const bookSeal = (provider: string, edition: string): string => `book ${provider} ${edition}`

/**
 * The digest (SHA-256) of a row's content and of the code that checks it. Schemas are slow to hold a plan of hundreds of
 * machines against, and it opens each time as it was left: what still has the digest that it was checked with is not
 * checked again. Undefined where the page may not make digests, as over plain HTTP from another machine. O(bytes).
 */
export async function sealOf(file: unknown): Promise<string | undefined> {
  if (!globalThis.crypto?.subtle) return undefined
  let text: string
  try {
    text = JSON.stringify(file)
  } catch {
    // What JSON cannot say was never checked.
    return undefined
  }
  const bytes = new TextEncoder().encode(`${CHECKS} ${text}`)
  const digest = await crypto.subtle.digest('SHA-256', bytes)
  return Array.from(new Uint8Array(digest), (byte) => byte.toString(16).padStart(2, '0')).join('')
}

/** Tells what is as it was when it was last checked. */
export async function sealReader(
  db: NotchgaugeDatabase,
): Promise<(of: string, file: unknown) => Promise<boolean>> {
  const seals = new Map((await db.seals.toArray()).map(({ of, seal }) => [of, seal]))
  return async (of, file) => {
    const seal = seals.get(of)
    return seal !== undefined && seal === (await sealOf(file))
  }
}

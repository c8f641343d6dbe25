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

/** A stored row by what seals it. */
interface SealedRow {
  readonly of: string
  readonly file: unknown
}

/** Notes of rows that they passed as they are. */
export async function sealRows(db: NotchgaugeDatabase, rows: readonly SealedRow[]): Promise<void> {
  for (const { of, file } of rows) {
    const seal = await sealOf(file)
    if (seal !== undefined) await db.seals.put({ of, seal, size: JSON.stringify(file).length })
  }
}

/** Holds all that is stored against its schemas, away from the page, and answers what passed. */
export type CheckStored = () => Promise<readonly string[]>

/** Characters of JSON from which on a row is checked and digested elsewhere than on the page. */
const LARGE = 500_000

/**
 * Which rows pass: those that are as they were when they were last checked, and those that are large, or never were
 * checked, where a check elsewhere passes them. What is not among them has to be checked by the caller, which is quick.
 */
export async function trustedRows(
  db: NotchgaugeDatabase,
  rows: readonly SealedRow[],
  checkStored?: CheckStored,
): Promise<ReadonlySet<string>> {
  const seals = new Map((await db.seals.toArray()).map((each) => [each.of, each]))
  const trusted = new Set<string>()
  let asks = false
  for (const { of, file } of rows) {
    const known = seals.get(of)
    if (checkStored && Number(known?.size ?? Infinity) > LARGE) asks = true
    else if (known && known.seal === (await sealOf(file))) trusted.add(of)
  }
  if (!checkStored || !asks) return trusted
  try {
    for (const of of await checkStored()) trusted.add(of)
  } catch {
    // Without a worker the caller checks by itself.
  }
  return trusted
}

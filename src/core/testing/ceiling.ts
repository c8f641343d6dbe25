/** How long a test waits for what has to come: against hanging only, since machines differ. */
export const CEILING = { timeout: 120_000 } as const

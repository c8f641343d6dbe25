const LOOPBACK = ['localhost', '127.0.0.1', '[::1]']

/** Names from the environment's `HOSTS`, parted by commas, beside this machine's own. */
export const allowedHosts = (hosts: string | undefined): ReadonlySet<string> =>
  new Set([...LOOPBACK, ...(hosts ?? '').split(',').map((name) => name.trim().toLowerCase())].filter(Boolean))

/**
 * Whether a `Host` header names this server, whatever the port. A page of elsewhere that has its own name lead here
 * would otherwise be let in as if it were ours.
 */
export function isAllowedHost(header: string | null, allowed: ReadonlySet<string>): boolean {
  const name = /^(\[[0-9a-f:.]+\]|[a-z0-9.-]+?)\.?(?::\d{1,5})?$/i.exec(header ?? '')?.[1]
  return name !== undefined && allowed.has(name.toLowerCase())
}

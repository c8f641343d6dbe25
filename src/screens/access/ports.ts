import type { InboundRule } from '../../core/machine/access.ts'

type Ports = NonNullable<InboundRule['ports']>

const MOST_PORT = 65_535

/** `22`, or `8000-8080`. */
export const formatPorts = ({ first, last }: Ports): string =>
  first === last ? `${first}` : `${first}-${last}`

/** Undefined where it is neither a port nor a range of them. */
export function parsePorts(text: string): Ports | undefined {
  const match = /^\s*(\d{1,5})\s*(?:[-–]\s*(\d{1,5})\s*)?$/.exec(text)
  if (!match) return undefined
  const first = Number(match[1])
  const last = match[2] === undefined ? first : Number(match[2])
  return first >= 1 && first <= last && last <= MOST_PORT ? { first, last } : undefined
}

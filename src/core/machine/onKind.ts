import type { Disk } from './plan.ts'

/** The disk on a kind: what was bought on top was bought of another kind, and goes with it. */
export function onKind(disk: Disk, kind: string): Disk {
  if (disk.kind === kind) return disk
  const { extraIops, extraMegabytesPerSecond, ...plain } = disk
  return { ...plain, kind }
}

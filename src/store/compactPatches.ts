import type { Patch } from 'immer'

/**
 * Patches as the store holds them: where many differ in one index of their paths alone, as after a change of many
 * machines, they are one patch with all of those indices in its place.
 */
export interface CompactPatch {
  readonly op: Patch['op']
  readonly path: readonly (string | number | readonly number[])[]
  readonly value?: unknown
}

/** O(bytes of the patches). */
export function compactPatches(patches: readonly Patch[]): readonly CompactPatch[] {
  if (patches.length < 3 || !areIndependent(patches)) return patches
  const groups = new Map<string, { readonly patch: Patch; readonly indices: number[] }>()
  for (const patch of patches) {
    const at = indexIn(patch)
    const rest = patch.path.map((step, i) => (i === at ? null : step))
    const key = JSON.stringify([patch.op, at, rest, 'value' in patch, patch.value])
    const group = groups.get(key)
    if (group && at >= 0) group.indices.push(patch.path[at] as number)
    else
      groups.set(group ? `${key} ${groups.size}` : key, {
        patch,
        indices: at < 0 ? [] : [patch.path[at] as number],
      })
  }
  return Array.from(groups.values(), ({ patch, indices }) =>
    indices.length < 2
      ? patch
      : { ...patch, path: patch.path.map((step, i) => (i === indexIn(patch) ? indices : step)) },
  )
}

/** O(patches). */
export const spreadPatches = (patches: readonly CompactPatch[]): readonly Patch[] =>
  patches.flatMap((patch) => {
    const at = patch.path.findIndex((step) => typeof step === 'object')
    if (at < 0) return [patch as Patch]
    return (patch.path[at] as readonly number[]).map(
      (index) => ({ ...patch, path: patch.path.with(at, index) }) as Patch,
    )
  })

/** Where the first index stands that is not the last step. */
const indexIn = ({ path }: Patch): number =>
  path.findIndex((step, i) => typeof step === 'number' && i < path.length - 1)

/** Whether the order of patches says nothing: each is of a field of its own, and none moves the entries of a list. */
function areIndependent(patches: readonly Patch[]): boolean {
  const paths = new Set<string>()
  for (const { path } of patches) {
    if (path.length === 0 || typeof path.at(-1) === 'number' || path.at(-1) === 'length') return false
    const text = JSON.stringify(path)
    if (paths.has(text)) return false
    paths.add(text)
  }
  return patches.every(({ path }) =>
    path.every((_, i) => i === 0 || !paths.has(JSON.stringify(path.slice(0, i)))),
  )
}

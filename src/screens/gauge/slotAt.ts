import type { Cluster } from './clusterNotches.ts'

/** The slot under a pointer `x` pixels from the plate's left: the nearest one, unless it is more than `reach` away. */
export function slotAt(clusters: readonly Cluster[], x: number, reach: number): Cluster | undefined {
  let nearest: Cluster | undefined
  for (const cluster of clusters) {
    const distance = Math.abs(cluster.x - x)
    if (distance <= reach && (!nearest || distance < Math.abs(nearest.x - x))) nearest = cluster
  }
  return nearest
}

/** A price that a list states, by the names that it uses; of the machine with its system, on its terms. */
export interface TruePrice {
  readonly size: string
  readonly vcpu: number
  readonly memoryGiB: number
  readonly place: string
  /** Absent: the one that costs nothing more. */
  readonly system?: string
  /** Absent: on demand. */
  readonly term?: string
  /** As a price book has it, for an hour or a month. */
  readonly price: string
}

export interface TrueDisk {
  readonly disk: string
  readonly place: string
  readonly perGiBMonth: string
}

/** An invented price list with the truth that it was made of, the same for the same seed. */
export interface InventedList {
  readonly files: readonly { readonly name: string; readonly content: string | Uint8Array<ArrayBuffer> }[]
  readonly truth: readonly TruePrice[]
  readonly disks?: readonly TrueDisk[]
  /** Bands of traffic out in every place. */
  readonly traffic?: readonly { readonly upToGiB?: number; readonly perGiB: string }[]
}

/** Figures from 0 to 1, the same for the same seed. */
export function seeded(seed: number): () => number {
  let state = seed
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647
}

export interface Shape {
  readonly name: string
  readonly family: string
  readonly vcpu: number
  readonly memory: number
}

/** Sizes of families, each with so many GiB to a vCPU. */
export const shapes = (
  families: readonly (readonly [string, number])[],
  counts: readonly number[],
): Shape[] =>
  families.flatMap(([family, ratio]) =>
    counts.map((vcpu) => ({
      name: `${family} ${vcpu}-${vcpu * ratio}`,
      family,
      vcpu,
      memory: vcpu * ratio,
    })),
  )

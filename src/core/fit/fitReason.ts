import type { ImageNeed } from '../machine/imageNeed.ts'
import type { SizeChoice } from '../catalogue/priceBook.ts'
import type { Keep } from '../machine/needs.ts'
import type { OffState } from '../off/powerState.ts'
import type { GiB } from '../quantity/units.ts'

/** Why a machine may not be as it is, with the figures that a sentence needs. Names are those of the price book. */
export type FitReason =
  | {
      readonly code: 'too-few-vcpu'
      readonly has: number
      readonly needs: number
      readonly by: 'needs' | 'image'
    }
  | {
      readonly code: 'too-little-memory'
      readonly has: GiB
      readonly needs: GiB
      readonly by: 'needs' | 'image'
    }
  | {
      readonly code: 'too-few-iops'
      readonly has: number
      readonly needs: number
      readonly limit: 'size' | 'disk'
    }
  | { readonly code: 'not-for-account'; readonly size: string; readonly provider: string }
  /** By itself it has more vCPU than the account may have. */
  | { readonly code: 'over-account'; readonly has: number; readonly most: number; readonly provider: string }
  | {
      readonly code: 'not-sold-here'
      readonly size: string
      readonly place: string
      readonly soldIn: readonly string[]
    }
  | {
      readonly code: 'disk-kind-not-carried'
      readonly size: string
      readonly kind: string
      readonly carries: readonly string[]
    }
  | { readonly code: 'disk-kind-not-sold-here'; readonly kind: string; readonly place: string }
  | { readonly code: 'disk-kind-does-not-boot'; readonly kind: string }
  | { readonly code: 'too-many-disks'; readonly has: number; readonly most: number }
  | { readonly code: 'room-not-offered'; readonly kind: string; readonly asked: GiB; readonly most: GiB }
  | { readonly code: 'address-not-sold-here'; readonly sort: string; readonly place: string }
  | { readonly code: 'snapshots-not-sold-here' | 'traffic-not-sold-here'; readonly place: string }
  | {
      readonly code: 'licence-not-sold-here'
      readonly image: string
      readonly size: string
      readonly place: string
    }
  | { readonly code: 'image-not-wanted'; readonly image: string; readonly needs: ImageNeed }
  | { readonly code: 'architecture-not-wanted'; readonly has: string; readonly needs: string }
  | { readonly code: 'too-few-accelerators'; readonly has: number; readonly needs: number }
  | {
      readonly code: 'too-little-throughput'
      readonly has: number
      readonly needs: number
      readonly limit: 'size' | 'disk'
    }
  | { readonly code: 'too-little-disk'; readonly has: GiB; readonly needs: GiB }
  | {
      readonly code: 'jurisdiction-not-allowed'
      readonly place: string
      readonly has: string
      readonly allowed: readonly string[]
    }
  | {
      readonly code: 'too-far'
      readonly place: string
      readonly from: string
      readonly milliseconds: number
      readonly isMeasured: boolean
      readonly most: number
    }
  /** So many of its group stand in the zone that it may not be one more; or in each fault domain of it. */
  | {
      readonly code: 'shares-zone' | 'shares-fault-domain'
      readonly group: string
      readonly zone: string
      readonly place: string
      readonly most: number
      readonly with: readonly string[]
    }
  /** Others of its group stand in the region, and it shares nothing with them or they with it. */
  | {
      readonly code: 'shares-region'
      readonly group: string
      readonly place: string
      readonly with: readonly string[]
    }
  | { readonly code: 'not-kept'; readonly what: Keep; readonly state: OffState }
  | {
      readonly code: 'taken-away'
      readonly terms: string
      readonly interruption: string
      /** What asks for it not to be: that it keeps its hardware, or that it is not taken away now. */
      readonly by: 'keeps' | 'as-now'
    }
  /** A disk would have less room than it has now. */
  | {
      readonly code: 'disk-smaller'
      /** 0 is the system disk, data disks count from 1. */
      readonly position: number
      readonly has: GiB
      readonly needs: GiB
    }
  /** What is on its data disks would be lost each time that it goes off. */
  | { readonly code: 'data-lost'; readonly state: OffState }
  | {
      readonly code: 'back-too-late'
      readonly state: OffState
      readonly seconds: number
      readonly most: number
    }
  /** The provider's currency cannot be set against the plan's without a rate. */
  | { readonly code: 'no-exchange-rate'; readonly from: string; readonly to: string }
  /** Nothing in the place has all that the machine needs. */
  | {
      readonly code: 'nothing-fits-there'
      readonly place: string
      readonly provider: string
      readonly vcpu: number
      readonly memoryGiB: GiB
      readonly iops: number
    }
  | { readonly code: 'image-not-offered'; readonly image: string; readonly provider: string }
  | {
      readonly code: 'wrong-architecture'
      readonly image: string
      readonly has: string
      readonly needs: readonly string[]
    }
  | { readonly code: 'image-too-large'; readonly image: string; readonly has: GiB; readonly needs: GiB }
  | { readonly code: 'state-not-offered'; readonly state: string; readonly provider: string }
  | { readonly code: 'no-hibernation'; readonly by: 'size' | 'image' | 'terms'; readonly name: string }
  | {
      readonly code: 'not-sold-on-terms'
      readonly size: string
      readonly terms: string
      readonly place: string
    }
  | { readonly code: 'no-own-disk'; readonly size: string }
  | { readonly code: 'own-disk-lost'; readonly kind: string; readonly state: OffState }
  | { readonly code: 'nothing-to-restore' }
  | { readonly code: 'iops-not-sold'; readonly kind: string; readonly asked: number; readonly most: number }
  | {
      readonly code: 'outside-choice'
      readonly size: string
      readonly vcpu: SizeChoice['vcpu']
      readonly memoryGiB: SizeChoice['memoryGiB']
    }
  | { readonly code: 'over-hibernation-limit'; readonly memory: GiB; readonly most: GiB }
  | { readonly code: 'no-room-for-memory'; readonly room: GiB; readonly used: GiB; readonly memory: GiB }

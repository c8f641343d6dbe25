import type { SizeChoice } from '../catalogue/priceBook.ts'
import type { OffState } from '../power/powerState.ts'
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
  | { readonly code: 'address-not-sold-here'; readonly place: string }
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

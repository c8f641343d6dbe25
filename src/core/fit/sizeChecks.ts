import { leastOf } from '../catalogue/notKnown.ts'
import { ownValue } from '../ownValue.ts'
import { licenceRate, licencesOf, takesOwnLicence } from '../catalogue/licenceRate.ts'
import { sizeRates } from '../catalogue/sizeRates.ts'
import { zonesSelling } from '../catalogue/bookIndex.ts'
import type { SizeChoice } from '../catalogue/priceBook.ts'
import type { ResolvedMachine } from '../machine/resolveMachine.ts'
import type { FitCheck, SizeCheck } from './fitCheck.ts'

const placeName = ({ region, machine }: ResolvedMachine): string => `${region.region.name} ${machine.zone}`

const onSteps = (value: number, { least, most, step }: SizeChoice['vcpu']): boolean =>
  value >= least && value <= most && Number.isInteger((value - least) / step)

/** What a size must have by itself, wherever it stands: these close the same sizes in every region. */
export const SIZE_CHECKS: readonly SizeCheck[] = [
  {
    concerns: ['size', 'vcpu'],
    find: ({ size: { vcpu: has }, machine: { needs } }) =>
      has >= needs.vcpu ? undefined : { code: 'too-few-vcpu', has, needs: needs.vcpu, by: 'needs' },
  },
  {
    concerns: ['size', 'vcpu', 'image'],
    find: ({ size: { vcpu: has }, image }) => {
      const { vcpu: needs } = leastOf(image)
      return has >= needs ? undefined : { code: 'too-few-vcpu', has, needs, by: 'image' }
    },
  },
  {
    concerns: ['size', 'memory'],
    find: ({ size: { memoryGiB: has }, machine: { needs } }) =>
      has >= needs.memoryGiB
        ? undefined
        : { code: 'too-little-memory', has, needs: needs.memoryGiB, by: 'needs' },
  },
  {
    concerns: ['size', 'memory', 'image'],
    find: ({ size: { memoryGiB: has }, image }) => {
      const { memoryGiB: needs } = leastOf(image)
      return has >= needs ? undefined : { code: 'too-little-memory', has, needs, by: 'image' }
    },
  },
  {
    concerns: ['size', 'image'],
    find: ({ size, image }) =>
      !size.architecture || !image.architectures || image.architectures.includes(size.architecture)
        ? undefined
        : {
            code: 'wrong-architecture',
            image: image.name,
            has: size.architecture,
            needs: image.architectures,
          },
  },
  {
    concerns: ['size'],
    find: ({ size: { architecture: has }, machine: { needs }, held }) => {
      const wanted = needs.architecture ?? held?.architecture
      return !wanted || wanted === 'any' || !has || has === wanted
        ? undefined
        : { code: 'architecture-not-wanted', has, needs: wanted }
    },
  },
  {
    concerns: ['size'],
    find: ({ size, machine: { needs } }) => {
      const has = size.accelerator?.count ?? 0
      const least = needs.accelerators ?? 0
      return has >= least ? undefined : { code: 'too-few-accelerators', has, needs: least }
    },
  },
  {
    concerns: ['size'],
    find: ({ size, machine: { needs } }) =>
      size.iops === undefined || size.iops >= needs.iops
        ? undefined
        : { code: 'too-few-iops', has: size.iops, needs: needs.iops, limit: 'size' },
  },
  {
    concerns: ['size'],
    find: ({ size: { megabytesPerSecond: has }, machine: { needs } }) => {
      const least = needs.megabytesPerSecond ?? 0
      return has === undefined || has >= least
        ? undefined
        : { code: 'too-little-throughput', has, needs: least, limit: 'size' }
    },
  },
  {
    concerns: ['size', 'data-disk', 'new-disk'],
    find: ({ size, dataKinds }) =>
      size.mostDisks === undefined || dataKinds.length < size.mostDisks
        ? undefined
        : { code: 'too-many-disks', has: dataKinds.length + 1, most: size.mostDisks },
  },
  {
    concerns: ['size', 'vcpu', 'memory'],
    find: ({ size, machine: { chosen } }) => {
      if (!size.choice || !chosen) return undefined
      const { vcpu, memoryGiB } = size.choice
      return onSteps(chosen.vcpu, vcpu) && onSteps(chosen.memoryGiB, memoryGiB)
        ? undefined
        : { code: 'outside-choice', size: size.name, vcpu, memoryGiB }
    },
  },
]

/** Where a size is sold, and on which terms. */
export const SALE_CHECKS: readonly FitCheck[] = [
  {
    concerns: ['size', 'place'],
    find: ({ size, index: { book } }) => {
      const { families, sizes } = book.account ?? {}
      if (!families && !sizes) return undefined
      return families?.includes(size.family) || sizes?.includes(size.id)
        ? undefined
        : { code: 'not-for-account', size: size.name, provider: book.provider.name }
    },
  },
  {
    concerns: ['size', 'vcpu', 'place'],
    find: ({ size, machine: { region }, index: { book } }) => {
      const { vcpu, vcpuByRegion = {}, vcpuByFamily = {} } = book.account?.quotas ?? {}
      const limits = [vcpu, ownValue(vcpuByRegion, region), ownValue(vcpuByFamily, size.family)]
      const most = Math.min(...limits.map((limit) => limit ?? Infinity))
      return size.vcpu <= most
        ? undefined
        : { code: 'over-account', has: size.vcpu, most, provider: book.provider.name }
    },
  },
  {
    concerns: ['size', 'place'],
    find: (resolved) => {
      const soldIn = zonesSelling(resolved.region, resolved.size.id)
      if (soldIn.includes(resolved.machine.zone)) return undefined
      return { code: 'not-sold-here', size: resolved.size.name, place: placeName(resolved), soldIn }
    },
  },
  {
    concerns: ['size', 'place', 'terms'],
    find: (resolved) => {
      const { region, size, terms } = resolved
      if (zonesSelling(region, size.id).length === 0 || sizeRates(region, size.id, terms)) return undefined
      return { code: 'not-sold-on-terms', size: size.name, terms: terms.name, place: region.region.name }
    },
  },
  {
    concerns: ['size', 'place', 'terms', 'image'],
    find: ({ index, region, size, terms, image, machine: { ownLicence = false } }) => {
      const place = { index, region, size: size.id, terms }
      const isSold = licencesOf(image).every((id) => {
        const known = index.licences.get(id)
        return (ownLicence && known && takesOwnLicence(image, known.licence)) || licenceRate(place, id)
      })
      return isSold
        ? undefined
        : { code: 'licence-not-sold-here', image: image.name, size: size.name, place: region.region.name }
    },
  },
]

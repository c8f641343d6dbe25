import type { Quotas } from '../../core/catalogue/account.ts'
import { byKey, count, id, objectOf } from '../reading/rules.ts'
import { MOST_REGIONS } from './bookLimits.ts'

const quota = count(100_000)

/** What an account may have at the most. */
export const quotas = objectOf<Quotas>({
  vcpu: quota,
  machines: quota,
  fixedAddresses: quota,
  vcpuByFamily: byKey(id, quota, 500),
  vcpuByRegion: byKey(id, quota, MOST_REGIONS),
})

/** Prices stay decimal text until they are metered: 0.2067, never a binary float. */
export type DecimalText = string

/** Which of an address's rates applies; none while there is no address. */
export type AddressUse = 'attachedOn' | 'attachedOff' | 'unattached' | 'none'

export interface RegionPrices {
  readonly sizes: { readonly [sizeId: string]: SizePrice }
  readonly disks: { readonly [kindId: string]: DiskPrice }
  /** Per hour, for each address of the sort. */
  readonly addresses: {
    readonly fixed?: AddressPrice
    readonly changing?: ChangingAddressPrice
  }
  readonly memoryImagePerGiBMonth?: DecimalText
  readonly snapshotPerGiBMonth?: DecimalText
  /** Once for each GiB that a snapshot brings back. */
  readonly restorePerGiB?: DecimalText
  /** Bands of what all machines of the account send from the region in a month, in order; the last one has no end. */
  readonly trafficOut?: readonly { readonly upToGiB?: number; readonly perGiB: DecimalText }[]
}

/** On demand, where the book has such terms and one of the rates stands here; other terms by their id. */
export interface SizePrice extends SizeRateTexts, HourBands {
  /** Zones of the region that sell it; all of them when absent. */
  readonly zones?: readonly string[]
  readonly terms?: { readonly [termsId: string]: TermsPrice }
  readonly licences?: LicencePrices
}

export interface TermsPrice extends SizeRateTexts, HourBands {
  /** Paid once for a whole commitment. */
  readonly upFront?: DecimalText
  /** How often it is taken away there, where it differs from what the terms say. */
  readonly interruption?: string
  /** Where they differ from those on demand. */
  readonly licences?: LicencePrices
}

/** What licences and subscriptions cost on one size, before their price for a vCPU. */
export interface LicencePrices {
  readonly [licenceId: string]: LicencePrice
}

/** For the machine, whatever its vCPU; one of them. */
export type LicencePrice = Pick<SizeRateTexts, 'perSecond' | 'perHour' | 'perMonth'>

/** The rates that make up a size's price; they add up. */
export interface SizeRateTexts {
  readonly perSecond?: DecimalText
  readonly perHour?: DecimalText
  readonly perMonth?: DecimalText
  readonly perVcpuHour?: DecimalText
  readonly perCoreHour?: DecimalText
  readonly perGiBHour?: DecimalText
}

/** In place of `perHour`: bands of the charged hours of one machine's month. */
export interface HourBands {
  readonly perHourBands?: readonly PriceBand[]
}

/** A price for a part of a quantity; each band for its own part only. Bands grow, and the last one has no end. */
export interface PriceBand {
  /** Where it ends, counted from 0: hours of a machine's month, or GiB of one disk. */
  readonly upTo?: number
  readonly price: DecimalText
}

export interface DiskPrice {
  /** By step, for kinds that are sold by steps. */
  readonly perMonthByStep?: { readonly [stepGiB: string]: DecimalText }
  readonly perGiBMonth?: DecimalText
  /** In place of `perGiBMonth`: bands of one disk's GiB. */
  readonly perGiBMonthBands?: readonly PriceBand[]
  readonly perTenThousandOperations?: DecimalText
  readonly perExtraIopsMonth?: DecimalText
  readonly perExtraMegabytesPerSecondMonth?: DecimalText
}

export type AddressPrice = { readonly [Use in Exclude<AddressUse, 'none'>]: DecimalText }
/** It is given up with the machine: what one would cost that nothing holds need not be known. */
export type ChangingAddressPrice = Omit<AddressPrice, 'unattached'> &
  Partial<Pick<AddressPrice, 'unattached'>>

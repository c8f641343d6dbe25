import type { Ledger } from '../../core/ledger/ledger.ts'
import { unitsToDecimal } from '../../core/quantity/decimal.ts'
import { moneyText } from '../../wording/money'

/** `€ 403.12`, or one sum for each currency: they are never added without a rate. */
export const sumText = (sums: ReadonlyMap<string, number>, { decimals }: Pick<Ledger, 'decimals'>): string =>
  [...sums]
    .map(([currency, units]) => moneyText(unitsToDecimal(BigInt(units), decimals), currency))
    .join(' and ')

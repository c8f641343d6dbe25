import type { Ledger } from '../../core/ledger/ledger.ts'
import { unitsToDecimal } from '../../core/quantity/decimal.ts'
import { currencySymbol, groupDigits } from '../../wording/money'

/** `€ 403.12`, or one sum for each currency: they are never added without a rate. */
export const sumText = (sums: ReadonlyMap<string, number>, { decimals }: Pick<Ledger, 'decimals'>): string =>
  [...sums]
    .map(
      ([currency, units]) =>
        `${currencySymbol(currency)} ${groupDigits(unitsToDecimal(BigInt(units), decimals))}`,
    )
    .join(' and ')

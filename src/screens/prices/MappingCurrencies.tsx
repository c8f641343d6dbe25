'use client'

import type { CurrencyRate } from '../../core/pricelist/listMapping.ts'
import { readFigure } from '../../core/table/readFigure.ts'
import { isCurrency } from '../../files/reading/moneyText.ts'
import { TextInput } from '../../interface/TextInput'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { MappingRow } from './MappingRow'
import type { MappingEdit } from './useMapping.ts'

/** The list's currency, and what others that it names were worth in it on a day. */
export function MappingCurrencies({ edit }: { readonly edit: MappingEdit }) {
  const { mapping, meaning, table, change } = edit
  const { month } = useWorkbench()
  const { currency, rates = [] } = mapping
  const source = meaning.fields.currency
  const column = source?.from === 'column' ? source.column : undefined
  const named = table.values.find(([name]) => name === column)?.[1] ?? []
  const others = new Set(
    [...named.map((text) => text.toUpperCase()), ...rates.map((rate) => rate.currency)].filter(
      (text) => isCurrency(text) && text !== currency,
    ),
  )
  const put = (other: string, next: CurrencyRate | undefined): void => {
    const { rates: _, ...rest } = mapping
    const kept = rates.filter((rate) => rate.currency !== other)
    const all = next ? [...kept, next] : kept
    change(all.length > 0 ? { ...rest, rates: all } : rest, 'currency')
  }
  return (
    <>
      <MappingRow name="money" question="currency" edit={edit}>
        <TextInput
          label="Currency of the list"
          value={currency}
          check={(text) =>
            isCurrency(text.toUpperCase()) ? undefined : 'Three letters of ISO 4217, such as EUR.'
          }
          onCommit={(text) => change({ ...mapping, currency: text.toUpperCase() }, 'currency')}
        />
      </MappingRow>
      {[...others].map((other) => {
        const known = rates.find((rate) => rate.currency === other)
        return (
          <MappingRow key={other} name={`1 ${other} is`} edit={edit}>
            <TextInput
              label={`What 1 ${other} is in ${currency}`}
              value={known?.rate ?? ''}
              whenEmpty={`not known: left out`}
              check={rateProblem}
              onCommit={(text) => {
                const read = readFigure(text)
                put(
                  other,
                  read.ok ? { currency: other, rate: read.value.text, on: `${month}-01` } : undefined,
                )
              }}
            />
            <small>
              {currency}
              {known && `, on ${known.on}`}
            </small>
          </MappingRow>
        )
      })}
    </>
  )
}

function rateProblem(text: string): string | undefined {
  if (text.trim() === '') return undefined
  const read = readFigure(text)
  return read.ok && Number(read.value.text) > 0 ? undefined : 'A figure such as 0.92, or empty.'
}

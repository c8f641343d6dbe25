'use client'

import { QuietButton } from '../../interface/Button'
import { doubtText, mendUnitsText } from '../../wording/doubt.ts'
import type { MappingEdit } from './useMapping.ts'

/** What looks wrong in the whole list, each with the one press that would mend it. */
export function ListDoubts({ edit }: { readonly edit: MappingEdit }) {
  const { reading, mapping, change } = edit
  return reading.doubts.map(({ doubt, mend }) => {
    const text = doubtText(doubt, mapping.currency)
    return (
      <li key={text}>
        <b>Looks wrong</b>: {text}{' '}
        {mend && (
          <QuietButton
            onPress={() => {
              const { at, units, question } = mend
              const rows = mapping.rows.map((each, i) =>
                i === at && at > 0 ? { ...each, units: { ...each.units, ...units } } : each,
              )
              const own = at > 0 ? {} : { units: { ...mapping.units, ...units } }
              change({ ...mapping, ...own, rows }, question)
            }}
          >
            {mendUnitsText(mend.units)}
          </QuietButton>
        )}
      </li>
    )
  })
}

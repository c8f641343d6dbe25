'use client'

import { QuietButton } from '../../interface/Button'
import { withUnits } from '../../core/pricelist/withUnits.ts'
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
              change(withUnits(mapping, at, units), question)
            }}
          >
            {mendUnitsText(mend.units)}
          </QuietButton>
        )}
      </li>
    )
  })
}

'use client'

import styled from 'styled-components'
import { MANNERS } from '../../core/manner/manners.ts'
import { LONGEST_NAME } from '../../core/pricelist/readRow.ts'
import { Dropdown } from '../../interface/Dropdown'
import { TextInput } from '../../interface/TextInput'
import { MANNER_NAMES, MANNER_NOTES } from '../../wording/manner'
import { FilterRows } from './FilterRows'
import { MappingJoins } from './MappingJoins'
import { MappingPlaces } from './MappingPlaces'
import { MappingRow } from './MappingRow'
import { MappingTerms } from './MappingTerms'
import { MappingUnits } from './MappingUnits'
import { MeaningFields } from './MeaningFields'
import { MeaningPicker } from './MeaningPicker'
import { changeOpenList } from './openList.ts'
import type { MappingEdit } from './useMapping.ts'

/** What the rows of the list mean: each answer can be changed by itself, and shows on both sides at once. */
export function MappingPanel({ edit }: { readonly edit: MappingEdit }) {
  const { reading, mapping, meaning, table, unsure, setMeaning, confirm } = edit
  const { provider, manner } = reading
  return (
    <Panel aria-label="What a row means">
      <h2>What a row means</h2>
      <MappingRow name="Provider" edit={edit}>
        <TextInput
          label="Provider of the list"
          value={provider.name}
          check={(text) =>
            text.trim() === '' || text.length > LONGEST_NAME ? `1 to ${LONGEST_NAME} letters` : undefined
          }
          onCommit={(text) => changeOpenList({ mapping, assumed: unsure, manner, provider: text.trim() })}
        />
      </MappingRow>
      <MeaningPicker edit={edit} />
      <MeaningFields key={`${edit.at} ${meaning.is}`} edit={edit} />
      <MappingUnits edit={edit} />
      <FilterRows
        filters={meaning.only}
        values={table.values}
        isUnsure={unsure.includes('rows')}
        onConfirm={() => confirm('rows')}
        onChange={(only) => setMeaning({ ...meaning, only }, 'rows')}
      />
      <MappingJoins edit={edit} />
      <MappingTerms edit={edit} />
      <MappingPlaces edit={edit} />
      <h2>What the list does not say</h2>
      <MappingRow name="manner" edit={edit}>
        <Dropdown
          label="Manner of charging"
          value={manner}
          options={MANNERS.map((id) => ({ id, name: MANNER_NAMES[id], note: MANNER_NOTES[id] }))}
          onChange={(id) =>
            changeOpenList({
              mapping,
              assumed: unsure,
              provider: provider.name,
              manner: MANNERS.find((each) => each === id)!,
            })
          }
        />
      </MappingRow>
    </Panel>
  )
}

const Panel = styled.section`
  min-width: 0;
  overflow: auto;
  padding: 12px 16px 20px;
  border-left: 1px solid var(--rule);
  border-right: 1px solid var(--rule);

  h2 {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 8px;
    align-items: center;
    margin-bottom: 4px;
  }
  h2:not(:first-child) {
    margin-top: 16px;
  }
`

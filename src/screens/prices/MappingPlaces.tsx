'use client'

import { useId } from 'react'
import styled from 'styled-components'
import { CITIES, cityNamed } from '../../core/catalogue/cities.ts'
import { answerPlace } from '../../core/pricelist/answerPlace.ts'
import type { PlaceAnswer } from '../../core/pricelist/listMapping.ts'
import { LONGEST_NAME } from '../../core/pricelist/readRow.ts'
import { nearestName } from '../../files/inventory/nearestName.ts'
import { QuietButton } from '../../interface/Button'
import { ListInPart } from '../../interface/ListInPart'
import { TextInput } from '../../interface/TextInput'
import { AssumedMark } from './AssumedMark'
import type { MappingEdit } from './useMapping.ts'

const NAMES = CITIES.map(({ name }) => ({ id: name, name }))

/** Where the list's places are; a place that is given the name of another is that one. */
export function MappingPlaces({ edit }: { readonly edit: MappingEdit }) {
  const { mapping, reading, change, unsure, confirm } = edit
  const { places = [] } = mapping
  const cities = useId()
  const names = useId()
  const answer = (name: string, part: Pick<PlaceAnswer, 'name' | 'city'>): void =>
    change({ ...mapping, places: answerPlace(places, name, part) }, 'places')
  const brought = places.filter(({ text, name }) => name !== undefined && name !== text)
  if (reading.places.length === 0) return null
  return (
    <>
      <h2>
        Places <small>name in the book, and city</small>{' '}
        {unsure.includes('places') && (
          <AssumedMark what="Where places are" onConfirm={() => confirm('places')} />
        )}
      </h2>
      <datalist id={cities}>
        {CITIES.map(({ name }) => (
          <option key={name} value={name} />
        ))}
      </datalist>
      <datalist id={names}>
        {reading.places.map(({ name }) => (
          <option key={name} value={name} />
        ))}
      </datalist>
      <ListInPart label="Places" items={reading.places} keyOf={({ name }) => name}>
        {({ name, city }) => (
          <Place>
            <TextInput
              label={`Name of ${name} in the book`}
              value={name}
              wide
              suggestions={names}
              check={(text) =>
                text.trim() === '' || text.length > LONGEST_NAME ? `1 to ${LONGEST_NAME} letters` : undefined
              }
              onCommit={(text) => answer(name, { name: text.trim() })}
            />
            <TextInput
              label={`City of ${name}`}
              value={city ?? ''}
              wide
              whenEmpty="city not known"
              suggestions={cities}
              check={cityProblem}
              onCommit={(text) => answer(name, { city: text.trim() })}
            />
          </Place>
        )}
      </ListInPart>
      {brought.map(({ text, name }) => (
        <Apart key={text}>
          <small>
            “{text}” of the list is {name}
          </small>
          <QuietButton
            aria-label={`${text} is a place of its own`}
            onPress={() =>
              change({ ...mapping, places: places.filter((each) => each.text !== text) }, 'places')
            }
          >
            ×
          </QuietButton>
        </Apart>
      ))}
    </>
  )
}

function cityProblem(text: string): string | undefined {
  const name = text.trim()
  if (name === '' || cityNamed(name)) return undefined
  const nearest = nearestName(name, NAMES)
  return nearest ? `Not among the cities. ${nearest}?` : 'Not among the cities; empty, it is not known.'
}

const Place = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 3px 6px;
  padding: 2px 0;
`

const Apart = styled.div`
  display: flex;
  gap: 6px;
  align-items: center;

  small {
    color: var(--ink-2);
  }
`

'use client'

import styled from 'styled-components'
import { CITIES } from '../../core/catalogue/cities.ts'
import type { PlaceAnswer } from '../../core/pricelist/listMapping.ts'
import { Dropdown } from '../../interface/Dropdown'
import { ListInPart } from '../../interface/ListInPart'
import { AssumedMark } from './AssumedMark'
import type { MappingEdit } from './useMapping.ts'

const NOWHERE = ''
const CITY_OPTIONS = [
  { id: NOWHERE, name: 'not known' },
  ...[...CITIES]
    .sort((a, b) => a.name.localeCompare(b.name))
    .map(({ name, country }) => ({ id: name, name: `${name}, ${country}` })),
]

/** Where the list's places are, and which of their names are of one place. */
export function MappingPlaces({ edit }: { readonly edit: MappingEdit }) {
  const { mapping, reading, change, unsure, confirm } = edit
  const { places = [] } = mapping
  const answer = (text: string, part: Partial<PlaceAnswer>): void => {
    const before = places.find((each) => each.text === text)
    const others = places.filter((each) => each.text !== text)
    change({ ...mapping, places: [...others, { ...before, text, ...part }] }, 'places')
  }
  const apart = (text: string): void =>
    change({ ...mapping, places: places.filter((each) => each.text !== text) }, 'places')
  const brought = places.filter(({ text, name }) => name !== undefined && name !== text)
  if (reading.places.length === 0) return null
  return (
    <>
      <h2>
        Places{' '}
        {unsure.includes('places') && (
          <AssumedMark what="Where places are" onConfirm={() => confirm('places')} />
        )}
      </h2>
      <ListInPart label="Places" items={reading.places} keyOf={({ name }) => name}>
        {({ name, city }) => (
          <Place>
            <span>{name}</span>
            <Dropdown
              label={`City of ${name}`}
              value={city ?? NOWHERE}
              options={CITY_OPTIONS}
              onChange={(id) => answer(name, { city: id })}
            />
            {reading.places.length > 1 && (
              <Dropdown
                label={`Another name of ${name}`}
                value="is the same as…"
                options={reading.places
                  .filter((each) => each.name !== name)
                  .map((each) => ({ id: each.name, name: each.name }))}
                onChange={(other) => answer(name, { name: other })}
              />
            )}
          </Place>
        )}
      </ListInPart>
      {brought.map(({ text, name }) => (
        <Place key={text}>
          <span>{text}</span>
          <Dropdown
            label={`What ${text} is`}
            value="together"
            options={[
              { id: 'together', name: `is ${name!}` },
              { id: 'apart', name: 'a place of its own' },
            ]}
            onChange={() => apart(text)}
          />
        </Place>
      ))}
    </>
  )
}

const Place = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 3px 8px;
  align-items: center;
  padding: 3px 0;
  border-top: 1px solid var(--rule);

  span:first-child {
    min-width: 78px;
  }
`

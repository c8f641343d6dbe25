'use client'

import { useState } from 'react'
import styled from 'styled-components'
import { MOST_PLACES, type UserPlace } from '../../core/machine/needs.ts'
import { roundTrip } from '../../core/machine/roundTrip.ts'
import { Button } from '../../interface/Button'
import { Dialog } from '../../interface/Dialog'
import { Dropdown } from '../../interface/Dropdown'
import { NumberInput } from '../../interface/NumberInput'
import { TextInput } from '../../interface/TextInput'
import { setPlaces } from '../../store/commands.ts'
import { useWorkbench } from '../workbench/WorkbenchContext'
import { CITIES } from './cities.ts'

/** Where the people sit who use the machines, and the round trips that they measured. */
export function PlacesDialog({ onClose }: { readonly onClose: () => void }) {
  const { session, state } = useWorkbench()
  const places = state.plan.places ?? []
  const change = (next: readonly UserPlace[]): void => session.edit('places', setPlaces(next))
  const add = (place: UserPlace): void => change([...places, place])
  const left = CITIES.filter(({ name }) => places.every((place) => place.name !== name))
  return (
    <Dialog title="Places where your people sit" isOpen onClose={onClose}>
      {places.length === 0 && <p>None yet. Round trips are reckoned from each place that you add.</p>}
      <ul aria-label="Places">
        {places.map((place, at) => (
          <PlaceRow
            key={place.name}
            place={place}
            onChange={(next) => change(places.map((each, i) => (i === at ? next : each)))}
            onRemove={() => change(places.filter((_, i) => i !== at))}
          />
        ))}
      </ul>
      {places.length < MOST_PLACES && (
        <Line>
          <Dropdown
            label="Add a city"
            value="Add a city…"
            options={left.map(({ name }) => ({ id: name, name }))}
            onChange={(name) => add(left.find((city) => city.name === name)!)}
          />
          <OtherPlace taken={places.map(({ name }) => name)} onAdd={add} />
        </Line>
      )}
      <Button onPress={onClose}>Done</Button>
    </Dialog>
  )
}

interface PlaceRowProps {
  readonly place: UserPlace
  readonly onChange: (place: UserPlace) => void
  readonly onRemove: () => void
}

function PlaceRow({ place, onChange, onRemove }: PlaceRowProps) {
  const { state, machine } = useWorkbench()
  const regions = [
    ...new Map(
      state.books.flatMap(({ provider, regions: all }) =>
        all.map((region) => [`${provider.id} ${region.id}`, { provider, region }] as const),
      ),
    ),
  ]
  const own = regions.find(
    ([, { provider, region }]) => provider.id === machine?.provider && region.id === machine.region,
  )
  const [asked, setAsked] = useState(own?.[0] ?? regions[0]?.[0] ?? '')
  const chosen = regions.find(([id]) => id === asked)?.[1]
  const trip = chosen && roundTrip(place, chosen.provider.id, chosen.region)
  const measure = (milliseconds: number): void => {
    if (!chosen) return
    const { provider, region } = chosen
    const others = (place.measured ?? []).filter(
      (each) => each.provider !== provider.id || each.region !== region.id,
    )
    const measured =
      milliseconds > 0 ? [...others, { provider: provider.id, region: region.id, milliseconds }] : others
    onChange({ ...place, measured })
  }
  return (
    <Item>
      <b>{place.name}</b>
      <Line>
        <span>
          {place.latitude}°, {place.longitude}°; to
        </span>
        <Dropdown
          label={`Region to measure from ${place.name}`}
          value={asked}
          options={regions.map(([id, { provider, region }]) => ({
            id,
            name: `${region.name}, ${provider.name}`,
          }))}
          onChange={setAsked}
        />
        {trip && (
          <>
            <span>
              {trip.km === undefined ? 'distance not known' : `${Math.round(trip.km)} km`},{' '}
              {trip.milliseconds} ms {trip.isMeasured ? 'measured' : 'estimated'}; measured
            </span>
            <NumberInput
              label={`Measured round trip from ${place.name} in ms`}
              unit="ms"
              value={trip.isMeasured ? trip.milliseconds : 0}
              step={1}
              most={10_000}
              onChange={measure}
            />
          </>
        )}
        <Button aria-label={`Delete ${place.name}`} onPress={onRemove}>
          Remove
        </Button>
      </Line>
    </Item>
  )
}

/** With a point or a comma. */
const degrees = (text: string): number => Number(text.trim().replace(',', '.').replace('−', '-'))

const within =
  (most: number) =>
  (text: string): string | undefined =>
    text.trim() !== '' && Math.abs(degrees(text)) <= most ? undefined : `Degrees from −${most} to ${most}.`

interface OtherPlaceProps {
  readonly taken: readonly string[]
  readonly onAdd: (place: UserPlace) => void
}

function OtherPlace({ taken, onAdd }: OtherPlaceProps) {
  const [name, setName] = useState('')
  const [latitude, setLatitude] = useState('')
  const [longitude, setLongitude] = useState('')
  const ready = name !== '' && !within(90)(latitude) && !within(180)(longitude)
  return (
    <>
      <span>or</span>
      <TextInput
        label="Name of another place"
        value={name}
        whenEmpty="name"
        check={(text) =>
          taken.includes(text)
            ? 'There is such a place already.'
            : text.length > 60
              ? 'At most 60 letters.'
              : undefined
        }
        onCommit={setName}
      />
      <TextInput
        label="Latitude"
        value={latitude}
        whenEmpty="latitude"
        check={within(90)}
        onCommit={setLatitude}
      />
      <TextInput
        label="Longitude"
        value={longitude}
        whenEmpty="longitude"
        check={within(180)}
        onCommit={setLongitude}
      />
      <Button
        isDisabled={!ready}
        onPress={() => {
          onAdd({ name, latitude: degrees(latitude), longitude: degrees(longitude) })
          setName('')
          setLatitude('')
          setLongitude('')
        }}
      >
        Add the place
      </Button>
    </>
  )
}

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: baseline;
`

const Item = styled.li`
  padding: 6px 0;
  border-top: 1px solid var(--rule);
`

import { CITY_TABLE } from './cityTable.ts'
import { wordsIn } from '../quantity/wordsIn.ts'

/** A city where machines may stand: coordinates in degrees, to about a kilometre. */
export interface City {
  readonly name: string
  /** ISO 3166-1 alpha-2. */
  readonly country: string
  /** Whose law holds: the EU as one. */
  readonly jurisdiction: string
  readonly latitude: number
  readonly longitude: number
}

const EU = new Set(
  'AT BE BG CY CZ DE DK EE ES FI FR GR HR HU IE IT LT LU LV MT NL PL PT RO SE SI SK'.split(' '),
)

/** Cities with many machine rooms, and some with a few. */
export const CITIES: readonly City[] = CITY_TABLE.map((line) => {
  const [name, country, latitude, longitude] = line.split('|') as [string, string, string, string]
  return {
    name,
    country,
    jurisdiction: EU.has(country) ? 'EU' : country === 'GB' ? 'UK' : country,
    latitude: Number(latitude),
    longitude: Number(longitude),
  }
})

const BY_NAME = new Map(CITIES.map((city) => [city.name, city]))

export const cityNamed = (name: string): City | undefined => BY_NAME.get(name)

/** Other names by which lists call them. */
const OTHER_NAMES: readonly (readonly [string, string])[] = [
  ['Bangalore', 'Bengaluru'],
  ['Bombay', 'Mumbai'],
  ['Bruxelles', 'Brussels'],
  ['Genève', 'Geneva'],
  ['Gent', 'Ghent'],
  ['Göteborg', 'Gothenburg'],
  ['Hannover', 'Hanover'],
  ['København', 'Copenhagen'],
  ['Köln', 'Cologne'],
  ['Lisboa', 'Lisbon'],
  ['Madras', 'Chennai'],
  ['Milano', 'Milan'],
  ['München', 'Munich'],
  ['Nürnberg', 'Nuremberg'],
  ['Praha', 'Prague'],
  ['Roma', 'Rome'],
  ['Sevilla', 'Seville'],
  ['Torino', 'Turin'],
  ['Warszawa', 'Warsaw'],
  ['Wien', 'Vienna'],
  ['Zürich', 'Zurich'],
]

/** Words of a city's name, and the city; the longest names first, so that the most is said. */
const NAMES = [...CITIES.map(({ name }) => [name, name] as const), ...OTHER_NAMES]
  .flatMap(([text, name]) => {
    const city = BY_NAME.get(name)
    return city ? [{ words: ` ${wordsIn(text).join(' ')} `, city }] : []
  })
  .sort((a, b) => b.words.length - a.words.length)

/** The city whose name stands in the name of a place: Porto in "Porto 1". O(cities). */
export function cityIn(place: string): City | undefined {
  const words = ` ${wordsIn(place).join(' ')} `
  return NAMES.find((each) => words.includes(each.words))?.city
}

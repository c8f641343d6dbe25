import { expect, test } from 'vitest'
import { mixPlacesText } from './mixPlaces.ts'

test('places are said provider by provider', () => {
  const at = (provider: string, place: string) => ({ provider, place })
  expect(mixPlacesText([])).toBe('')
  expect(mixPlacesText([at('Tidewright', 'Tallinn')])).toBe('Tidewright in Tallinn')
  expect(
    mixPlacesText([
      at('Tidewright', 'Tallinn'),
      at('Plinthouse', 'Gdynia'),
      at('Tidewright', 'Porto'),
      at('Tidewright', 'Leeds'),
    ]),
  ).toBe('Tidewright in Tallinn, Porto and Leeds, Plinthouse in Gdynia')
})

import Joi from 'joi'
import { expect, test } from 'vitest'
import { stableJson } from './stableJson.ts'

const schema = Joi.object<{ b: string; a: number[] }>({ b: Joi.string(), a: Joi.array().items(Joi.number()) })

test('keys stand in the order of the schema, two spaces deep, and what it does not name after them', () => {
  const text = stableJson(schema, { z: 1, a: [1], b: 'x', y: 2 } as unknown as { b: string; a: number[] })
  expect(text).toBe('{\n  "b": "x",\n  "a": [\n    1\n  ],\n  "y": 2,\n  "z": 1\n}\n')
})

test('what is large is written without spaces, and is the same when it is read', () => {
  const value = { b: 'x', a: Array.from({ length: 900_000 }, (_, i) => i) }
  const text = stableJson(schema, value)
  expect(text.startsWith('{"b":"x","a":[0,1,2,')).toBe(true)
  expect(text.endsWith(']}\n')).toBe(true)
  expect(JSON.parse(text)).toEqual(value)
})

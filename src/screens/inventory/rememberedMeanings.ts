import Joi from 'joi'

/** What words of tables meant last time, by their keys: the same list comes again next month. */
const KEY = 'notchgauge-inventory-words'
const MOST_KEPT = 2_000

const pair = Joi.array()
  .ordered(Joi.string().max(1_200).required(), Joi.string().max(64).required())
  .length(2)
const schema = Joi.array().items(pair).max(MOST_KEPT)

export function rememberedMeanings(): ReadonlyMap<string, string> {
  try {
    const { value, error } = schema.validate(JSON.parse(localStorage.getItem(KEY) ?? '[]'), {
      convert: false,
    })
    return new Map(error ? [] : (value as [string, string][]))
  } catch {
    return new Map()
  }
}

/** Adds to what is kept; the newest are kept longest. */
export function rememberMeanings(meant: ReadonlyMap<string, string>): void {
  const all = new Map([...rememberedMeanings()].filter(([key]) => !meant.has(key)))
  for (const [key, id] of meant) all.set(key, id)
  try {
    localStorage.setItem(KEY, JSON.stringify([...all].slice(-MOST_KEPT)))
  } catch {
    // Without room to remember, the next table asks again.
  }
}

const texts = new WeakMap<object, string>()

/**
 * Keeps the JSON that a record was read from, or is stored as: to copy half a million parts to another thread takes a
 * quarter of a second, and their text a fifteenth of that. It lives as long as the record, which nobody may change.
 */
export const keepText = (record: object, json: string): void => void texts.set(record, json)

/** The JSON that was kept of this very record. */
export const keptText = (record: object): string | undefined => texts.get(record)

const texts = new WeakMap<object, string>()

/**
 * Keeps the JSON that a record was read from, or is stored as: to copy a text to another thread, or into the store, takes
 * a hundredth of what copying half a million parts takes. It lives as long as the record, which nobody may change.
 */
export const keepText = (record: object, json: string): void => void texts.set(record, json)

export const keptText = (record: object): string | undefined => texts.get(record)

/** A text of its own: one that is cut out of a piece of a file would keep the whole piece in memory. */
export const apart = (text: string): string => JSON.parse(JSON.stringify(text)) as string

/** `Heron 4/16` and `heron-4-16` are the same size. */
export const plainName = (name: string): string => name.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '')

/** Of one request for an estimate; apart from its schema, so that a server that only counts bytes does not load one. */
export const MOST_REQUEST_BYTES = 16 * 1024 * 1024
export const MOST_REQUEST_MACHINES = 2_000

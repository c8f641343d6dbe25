/** More offers are read by nobody, and each is priced exactly. */
export const MOST_LISTED = 1_000

/** Where nothing else is asked for. */
export const USUALLY_LISTED = 50

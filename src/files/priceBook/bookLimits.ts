/** Above these a book is refused: nobody sells so much, and it would stall the page. */
export const MOST_SIZES = 5_000
export const MOST_REGIONS = 200
export const MOST_KINDS = 100

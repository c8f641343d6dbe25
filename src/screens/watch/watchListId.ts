/** Where the list stands on the page, for the link to it. */
export const WATCH_LIST_ID = 'watch-list'

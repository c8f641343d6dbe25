/** Share of the window that the list covers; the plates keep the rest. */
export const LIST_HEIGHT = '54vh'

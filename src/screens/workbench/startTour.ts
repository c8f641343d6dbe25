export const START_TOUR = 'notchgauge-start-tour'

/** Begins the look around the demo from anywhere on the page. */
export const startTour = (): void => void window.dispatchEvent(new Event(START_TOUR))

/** Of the field in pixels, without the axis below it. */
export const FIELD_HEIGHT = 420

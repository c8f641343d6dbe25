/** A part of the field, in shares of its width and height from the upper left; all of it is 0, 1, 0, 1. */
export interface FieldPart {
  readonly left: number
  readonly right: number
  readonly top: number
  readonly bottom: number
}

export const WHOLE_FIELD: FieldPart = { left: 0, right: 1, top: 0, bottom: 1 }

/** Nobody looks nearer than this. */
export const LEAST_SPAN = 0.004

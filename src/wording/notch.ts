/** Stands by itself, so that screens need not bring the whole glossary. */
export const NOTCH_MEANING =
  'A step from one choice to the next. “A notch less” is the next cheaper choice that fits.'

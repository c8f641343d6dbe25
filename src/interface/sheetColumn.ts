/** A column of a sheet. */
export interface SheetColumn {
  readonly id: string
  /** What its head reads. */
  readonly head: string
  /** What a field of it is called, where the head is too short. */
  readonly label: string
  /** Track of a CSS grid. */
  readonly width: string
  readonly isNumber?: boolean
}

/** A page that is handed off: headings, lines with what is asked for and what to answer, and lists to tick off. */
export interface Sheet {
  readonly title: string
  /** One line under the title. */
  readonly about: string
  readonly sections: readonly SheetSection[]
  readonly total: SheetPrice
  readonly currency: string
  readonly checklists: readonly Checklist[]
}

interface SheetSection {
  readonly title: string
  readonly lines: readonly SheetLine[]
}

export interface SheetLine extends SheetPrice {
  readonly ask: string
  readonly answer: string
}

/** As it is shown; absent where the line has no price. */
interface SheetPrice {
  readonly perHour?: string
  readonly perMonth?: string
}

export interface Checklist {
  readonly title: string
  readonly items: readonly string[]
}

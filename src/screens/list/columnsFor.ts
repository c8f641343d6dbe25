import type { Plate, PlatesInputs } from '../../core/notches/plate.ts'
import { aboutColumn, commonColumns } from './commonColumns.ts'
import { diskColumns } from './diskColumns.ts'
import type { ShownColumn } from './listColumns.ts'
import { placeColumns } from './placeColumns.ts'
import { roomColumns } from './roomColumns.ts'
import { sizeColumns } from './sizeColumns.ts'

/** The columns of the list behind a plate: what it costs first, then what is to be known of each choice. */
export function columnsFor(plate: Plate, inputs: PlatesInputs, currency: string): ShownColumn[] {
  const common = commonColumns(inputs, currency)
  switch (plate.decision) {
    case 'size':
      return [...common, ...sizeColumns(inputs)]
    case 'place':
      return [...common, ...placeColumns(inputs)]
    case 'disk-kind':
      return [...common, ...diskColumns(inputs)]
    case 'disk-room':
    case 'data-disk':
      return [...common, ...roomColumns(inputs, plate.position ?? 0)]
    default:
      return [...common, aboutColumn(inputs)]
  }
}

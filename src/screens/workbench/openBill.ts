'use client'

import { useSyncExternalStore } from 'react'
import { Listeners } from '../../store/Listeners.ts'

/** Files of a bill that are to be read. */
export interface OpenBill {
  readonly files: readonly { readonly name: string; readonly file: File }[]
}

let open: OpenBill | undefined
const listeners = new Listeners()

/** It goes on being read while other screens are looked at. */
export const useOpenBill = (): OpenBill | undefined =>
  useSyncExternalStore(
    listeners.add,
    () => open,
    () => undefined,
  )

export function setOpenBill(bill: OpenBill | undefined): void {
  open = bill
  listeners.tell()
}

/** All files that are taken at once are parts of one bill. */
export const beginBill = (files: readonly File[]): void =>
  setOpenBill(files.length === 0 ? undefined : { files: files.map((file) => ({ name: file.name, file })) })

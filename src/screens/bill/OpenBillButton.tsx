'use client'

import { useRef } from 'react'
import { Button } from '../../interface/Button'
import { beginBill } from '../workbench/openBill.ts'

/** Chooses the files of a bill, all parts at once. */
export function OpenBillButton({ label }: { readonly label: string }) {
  const picker = useRef<HTMLInputElement>(null)
  return (
    <>
      <Button onPress={() => picker.current?.click()}>{label}</Button>
      <input
        ref={picker}
        type="file"
        hidden
        multiple
        data-testid="bill-file"
        aria-label="Bill to open"
        accept=".csv,.gz,.zip,.parquet,text/csv,application/gzip,application/zip"
        onChange={({ target }) => {
          const files = [...(target.files ?? [])]
          target.value = ''
          beginBill(files)
        }}
      />
    </>
  )
}

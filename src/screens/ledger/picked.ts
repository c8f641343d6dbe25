/** What the person looks at: one row of the ledger, or a group of them. */
export type Picked =
  | { readonly of: 'row'; readonly row: number }
  | { readonly of: 'group'; readonly title: string; readonly rows: Uint32Array }

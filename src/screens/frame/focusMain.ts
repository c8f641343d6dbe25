/** Moves the focus to what the page is about. */
export function focusMain(): void {
  const main = document.querySelector<HTMLElement>('main')
  if (!main) return
  main.tabIndex = -1
  main.focus()
}

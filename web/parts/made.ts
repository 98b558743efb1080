/** What was just made or moved on: the keyboard goes to it once its form is closed. */
let made: string | null = null

export const goToMade = (id: string): void => void (made = id)

/** A row of a table or a column of a comparison names itself by `data-line`. */
export function toMade(): void {
  const id = made
  made = null
  if (id === null) return
  // the dialog first gives the focus back to what opened it
  setTimeout(() => {
    // the next form may be open already: its keyboard is not taken away
    if (document.activeElement?.closest('.el-dialog')) return
    const line = document.querySelector<HTMLElement>(`[data-line="${id}"]`)
    const target = line?.querySelector<HTMLElement>('a, button') ?? line
    if (!line || !target) return
    if (target === line) line.tabIndex = -1
    target.focus()
    line.scrollIntoView({ block: 'nearest' })
  }, 60)
}

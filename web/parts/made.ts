/** What was just made or moved on: the keyboard goes to it once its form is closed. */
let made: string | null = null

/** Whoever acts in the meantime, by key or pointer, keeps the place they went to. */
const forget = (): void => void (made = null)

export function goToMade(id: string): void {
  made = id
  for (const act of ['keydown', 'pointerdown']) window.addEventListener(act, forget, { capture: true, once: true })
}

/** A row of a table or a column of a comparison names itself by `data-line`. */
export function toMade(): void {
  const id = made
  if (id === null) return
  // the dialog first gives the focus back to what opened it
  setTimeout(() => {
    if (made !== id) return
    forget()
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

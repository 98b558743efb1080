import type { Directive } from 'vue'

/** On a phone a table stands as cards (`pages.css`): each cell then says the title of its column. */
function name(table: HTMLTableElement): void {
  const titles = [...(table.tHead?.rows[0]?.cells ?? [])].map((cell) =>
    cell.querySelector('.visually-hidden') ? '' : (cell.querySelector('strong') ?? cell).textContent.trim(),
  )
  for (const { cells } of [...table.tBodies].flatMap((body) => [...body.rows])) {
    let column = 0
    for (const cell of cells) {
      const title = titles[column] ?? ''
      if (title !== '' && cell.colSpan === 1 && cell.tagName === 'TD') cell.dataset.title = title
      else delete cell.dataset.title
      column += cell.colSpan
    }
  }
}

export const vCards: Directive<HTMLTableElement> = {
  mounted: (table) => {
    table.classList.add('cards')
    name(table)
  },
  updated: name,
}

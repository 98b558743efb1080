import { v7 as uuidv7 } from 'uuid'
import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import type { Operation } from '#core/makeover/change.ts'
import {
  keepSighting,
  guessColumns,
  isPage,
  readArrivals,
  readCopied,
  readPage,
  readTable,
  type Arrival,
  type ArrivalField,
  type ArrivalTable,
} from '#core/pieces/index.ts'
import { useEntry } from '../stores/entry.ts'
import { habits } from '../stores/habits.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'

/** One thing read, and what is to become of it: for which piece, or for a new one in which category. */
export type Line = { readonly arrival: Arrival; readonly trouble: string; taken: boolean; target: string }

const same = (left: string, right: string): boolean =>
  left.trim().toLocaleLowerCase('en') === right.trim().toLocaleLowerCase('en')

/** Things on offer brought in from a paste or a file: read at once, shown, and kept in one change when somebody says so. */
export function useArrivals(pieceId: () => string | null, open: Ref<boolean>) {
  const makeover = useMakeover()
  const entry = useEntry()
  const pieces = useRows('piece')
  const categories = useRows('category')
  const rooms = useRows('room')
  const candidates = useRows('candidate')
  const text = ref('')
  const table = shallowRef<ArrivalTable | null>(null)
  const columns = ref<ArrivalField[]>([])
  const lines = ref<Line[]>([])
  const notes = ref<readonly string[]>([])
  const faults = ref<readonly string[]>([])
  const reads = computed(() => ({
    currency: makeover.currency,
    bare: entry.value.unit,
    sign: habits.value.decimal,
  }))
  /** The piece that is named, else the one in hand, else a new one in the first category. */
  const targetOf = ({ piece, name }: Arrival): string =>
    pieces.value.find((row) => piece !== '' && same(row.name, piece))?.id ??
    pieceId() ??
    pieces.value.find((row) => same(row.name, name))?.id ??
    categories.value[0]?.id ??
    ''
  const lineOf = (arrival: Arrival, trouble = ''): Line => ({
    arrival,
    trouble,
    taken: true,
    target: targetOf(arrival),
  })

  function readRows(): void {
    if (!table.value) return
    const { arrivals, troubles } = readArrivals(table.value, columns.value, reads.value)
    const said = (row: number): string =>
      troubles
        .filter((trouble) => trouble.row === row)
        .map(({ message }) => message)
        .join('; ')
    lines.value = arrivals.flatMap((arrival, row) => (arrival ? [lineOf(arrival, said(row))] : []))
    notes.value = troubles
      .filter(({ row }) => arrivals[row] === null)
      .map(({ row, message }) => `Row ${row + 1} ${message}.`)
  }
  watch(text, (typed) => {
    table.value = null
    lines.value = []
    notes.value = []
    faults.value = []
    if (typed.trim() === '') return
    if (isPage(typed)) {
      const read = readPage(typed, reads.value)
      lines.value = read.arrivals.map((arrival) => lineOf(arrival))
      notes.value = read.notes
      return
    }
    const copied = typed.includes('\t') ? null : readCopied(typed, reads.value)
    if (copied) {
      lines.value = [lineOf(copied)]
      return
    }
    table.value = readTable(typed)
    columns.value = guessColumns(table.value)
    readRows()
  })
  watch(open, (isOpen) => isOpen && (text.value = ''))

  async function take(files: FileList | null | undefined): Promise<void> {
    const [file] = files ?? []
    if (!file) return
    if (file.size > 5_000_000) {
      faults.value = [`${file.name} is ${Math.round(file.size / 1e6)} MB: expected a page or a table of at most 5 MB`]
      return
    }
    text.value = await file.text()
  }

  /** Tax is mostly reckoned as it was for the last thing noted. */
  const lastTax = computed(() => {
    const last = candidates.value.findLast(({ sellerId }) => sellerId !== null)
    return last ? { taxPpm: last.taxPpm, taxIncluded: last.taxIncluded, deliveryTaxed: last.deliveryTaxed } : null
  })
  const taken = computed(() => lines.value.filter((line) => line.taken))
  const firstId = ref('')

  function operations(): Operation[] {
    const { opened } = makeover
    const room = rooms.value[0]
    if (!opened || !room) return []
    const known = new Map(
      Object.values(opened.studio.rows.seller).map((row) => [row.name.trim().toLocaleLowerCase('en'), row.id]),
    )
    firstId.value = ''
    return taken.value.flatMap(({ arrival, target }) => {
      const key = arrival.seller.trim().toLocaleLowerCase('en')
      const sellerId = key === '' ? null : known.get(key)
      const seller =
        sellerId === null
          ? null
          : { id: sellerId ?? uuidv7(), name: arrival.seller.trim(), known: sellerId !== undefined }
      if (seller) known.set(key, seller.id)
      const candidateId = uuidv7()
      firstId.value ||= candidateId
      return keepSighting(
        {
          candidateId,
          name: arrival.name,
          priceMinor: arrival.priceMinor,
          size: arrival.size,
          seller,
          tax: lastTax.value,
          colours: arrival.colour ? [arrival.colour] : [],
          told: { link: arrival.link, article: arrival.article, colourName: arrival.colourName },
          piece: pieces.value.some(({ id }) => id === target)
            ? { id: target }
            : { newId: uuidv7(), roomId: room.id, categoryId: target },
        },
        opened.today,
        uuidv7,
      )
    })
  }
  async function keep(): Promise<boolean> {
    const count = taken.value.length
    if (count === 0) {
      faults.value = ['Nothing is taken yet: paste rows, or the address of a page with its text.']
      return false
    }
    const [first] = taken.value
    const found = await makeover.change(
      count === 1 ? `Brought in “${first?.arrival.name ?? ''}”` : `Brought in ${count} candidates`,
      operations(),
    )
    faults.value = found.map(({ message }) => message)
    return found.length === 0
  }
  return { text, table, columns, lines, notes, faults, taken, firstId, readRows, take, keep }
}

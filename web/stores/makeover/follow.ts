import { advance, type DiaryEntry } from '#core/diary/index.ts'
import { request } from '../../api.ts'
import type { Heard } from '../live.ts'
import { documentsOf, type Opened } from './view.ts'

export type Following = {
  /** As the server has it, as far as this window knows. */
  readonly base: () => Opened | null
  readonly setBase: (next: Opened) => Promise<void>
  /** A change of this window's own is under way: its answer may hold what was heard of. */
  readonly busy: () => boolean
  readonly send: () => void
  /** Whether the history may be asked for: where costs are not shown, all is fetched instead. */
  readonly history: () => boolean
  /** Runs what may fail, where nobody waits for it. */
  readonly quietly: (work: () => Promise<void>) => void
}

/** The most entries of the diary that are given at once. */
const page = 500

/** What others change: heard of, fetched from where this window stands, and laid under what waits. */
export function createFollow({ base, setBase, busy, send, history, quietly }: Following) {
  /** The newest rev that was heard of. */
  let heardRev = 0
  let catching = false

  /** One at a time, and again while a newer rev was heard of: two words close together may find the first answer on its way. */
  async function catchUp(): Promise<void> {
    if (catching) return
    catching = true
    try {
      for (;;) {
        const known = base()
        if (!known || known.makeover.rev >= heardRev) return
        const { id, rev } = known.makeover
        if (!history()) {
          await refresh()
          return
        }
        const entries = await request<DiaryEntry[]>('GET', `/makeovers/${id}/changes?after=${rev}`)
        if (base() !== known) continue
        if (entries.length === 0) return
        const next = entries.length < page ? advance(documentsOf(known), entries) : null
        if (!next) {
          await refresh()
          return
        }
        await setBase({ ...known, ...next })
      }
    } finally {
      catching = false
    }
  }

  /** All of it, where the diary does not tell enough. */
  async function refresh(): Promise<void> {
    const id = base()?.makeover.id
    if (!id) return
    const found = await request<Opened>('GET', `/makeovers/${id}`)
    const known = base()
    if (known?.makeover.id !== id || found.makeover.rev < known.makeover.rev) return
    const same =
      found.makeover.rev === known.makeover.rev &&
      found.studio.rev === known.studio.rev &&
      found.today === known.today &&
      found.archivedAt === known.archivedAt
    if (!same) await setBase(found)
  }

  function hear(heard: Heard): void {
    const known = base()
    if (!known) return
    if (heard.is === 'again') {
      quietly(refresh)
      send()
    } else if (heard.is === 'rev' && heard.document === known.makeover.id && heard.rev > known.makeover.rev) {
      heardRev = Math.max(heardRev, heard.rev)
      if (!busy()) quietly(catchUp)
    } else if (heard.is === 'rev' && heard.document === known.studio.id && heard.rev > known.studio.rev && !busy())
      quietly(refresh)
  }

  /** Something that was not heard may be newer. */
  function newer(rev: number): void {
    heardRev = Math.max(heardRev, rev)
  }
  function catchUpLate(): void {
    if (heardRev > (base()?.makeover.rev ?? Infinity)) quietly(catchUp)
  }
  function forget(): void {
    heardRev = 0
  }

  return { hear, refresh, newer, catchUpLate, forget }
}

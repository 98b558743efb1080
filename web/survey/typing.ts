import { computed, ref, type Ref } from 'vue'
import { edit } from '#core/makeover/change.ts'
import { writeLength } from '#core/measure/length.ts'
import type { Subject } from '#core/survey/index.ts'
import { asTyped, readWallLength } from './entry-line.ts'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import type { Draft } from './draft.ts'

/** A length typed where it stands on the drawing: drawn with each key, kept with Enter. */
export function useTyping(draft: Ref<Draft | null>, nameOf: (subject: Subject) => string) {
  const makeover = useMakeover()
  const entry = useEntry()
  const typing = ref<{ subject: Subject; x: number; y: number; shown: string; text: string; error: string } | null>(
    null,
  )
  function typeAt(subject: Subject, at: { x: number; y: number }): void {
    const row = makeover.opened?.makeover.rows.wall[subject.id]
    if (subject.kind !== 'wall' || !row) return
    const shown = asTyped(row.lengthMm, entry.value)
    typing.value = { subject, ...at, shown, text: shown, error: '' }
  }
  function draftTyped(): void {
    const typed = typing.value
    if (!typed) return
    typed.error = ''
    const read = readWallLength(typed.text, entry.value.unit)
    draft.value = read.ok ? { kind: 'wall', id: typed.subject.id, fields: { lengthMm: read.value } } : null
  }
  async function endTyping(keep: boolean): Promise<void> {
    const typed = typing.value
    const row = typed ? makeover.opened?.makeover.rows.wall[typed.subject.id] : undefined
    if (!typed || !row) return
    const read = readWallLength(typed.text, entry.value.unit)
    if (keep && !read.ok && typed.text.trim() !== '') {
      typed.error = read.error
      return
    }
    typing.value = null
    // what is shown is rounded: left as it was, it changes nothing
    if (keep && read.ok && typed.text !== typed.shown)
      await makeover.change(`${nameOf(typed.subject)} is ${writeLength(read.value, entry.value.units)}`, [
        edit('wall', row, { lengthMm: read.value }),
      ])
    draft.value = null
  }
  const typed = computed(() => {
    const read = typing.value ? readWallLength(typing.value.text, entry.value.unit) : null
    return read?.ok ? writeLength(read.value, entry.value.units) : ''
  })
  return { typing, typed, typeAt, draftTyped, endTyping }
}

import { getCurrentInstance, inject, provide, ref, type InjectionKey, type Ref } from 'vue'

type Texts = Readonly<Record<string, string>>
type Draft = {
  /** What was typed before is in the form again. */
  readonly restored: Ref<boolean>
  /** Keeps what is typed, where it is not saved; tells whether there was anything to keep. */
  readonly keep: () => boolean
  readonly startAfresh: () => void
}

/** What was typed in forms that were left, by the page and by what stood in the form when it was opened. */
const kept = new Map<string, Texts>()
const key: InjectionKey<Draft> = Symbol('the draft of a form')

/** The lines of a form that has a list in it, as one text: what stands in them, and how they are made of it again. */
export type DraftLines = { readonly read: () => string; readonly write: (text: string) => void }

/** Lines of fields, each known by an id, and made anew by it. */
export const draftOfLines = <Line>(
  lines: Ref<Line[]>,
  idOf: (line: Line) => string,
  fieldsOf: (line: Line) => Readonly<Record<string, { text: string }>>,
  make: (id: string) => Line | null,
): DraftLines => ({
  read: () =>
    JSON.stringify(
      lines.value.map((line) => [idOf(line), Object.entries(fieldsOf(line)).map(([name, { text }]) => [name, text])]),
    ),
  write: (text) => {
    lines.value = (JSON.parse(text) as [string, [string, string][]][]).flatMap(([id, texts]) => {
      const line = make(id)
      if (!line) return []
      for (const [name, typed] of texts) Object.assign(fieldsOf(line)[name] ?? {}, { text: typed })
      return [line]
    })
  },
})

const linesName = ' lines'
const textsOf = (
  fields: Readonly<Record<string, { readonly text: string }>>,
  lines: DraftLines | undefined,
): Texts => ({
  ...Object.fromEntries(Object.entries(fields).map(([name, { text }]) => [name, text])),
  ...(lines ? { [linesName]: lines.read() } : {}),
})

/** A form that is left with something typed keeps it, and has it again when it is opened for the same. */
export function useDraft(
  form: { readonly fields: Readonly<Record<string, { text: string }>> },
  reset: () => void,
  lines?: DraftLines,
) {
  let began: Texts = {}
  const restored = ref(false)
  const place = (): string => `${location.pathname} ${JSON.stringify(began)}`

  /** The form was opened, and its fields stand as they begin. */
  function opened(): void {
    began = textsOf(form.fields, lines)
    const typed = kept.get(place())
    restored.value = typed !== undefined
    if (!typed) return
    for (const [name, text] of Object.entries(typed))
      if (name === linesName) lines?.write(text)
      else Object.assign(form.fields[name] ?? {}, { text })
  }
  const saved = (): void => {
    kept.delete(place())
    began = textsOf(form.fields, lines)
  }
  function keep(): boolean {
    const typed = textsOf(form.fields, lines)
    if (JSON.stringify(typed) === JSON.stringify(began)) return false
    kept.set(place(), typed)
    return true
  }
  function startAfresh(): void {
    kept.delete(place())
    reset()
  }
  if (getCurrentInstance()) provide(key, { restored, keep, startAfresh })
  return { opened, saved }
}

/** The draft of the form that a dialog shows; null where it keeps none. */
export const draftHere = (): Draft | null => inject(key, null)

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

const textsOf = (fields: Readonly<Record<string, { readonly text: string }>>): Texts =>
  Object.fromEntries(Object.entries(fields).map(([name, { text }]) => [name, text]))

/** A form that is left with something typed keeps it, and has it again when it is opened for the same. */
export function useDraft(form: { readonly fields: Readonly<Record<string, { text: string }>> }, reset: () => void) {
  let began: Texts = textsOf(form.fields)
  const restored = ref(false)
  const place = (): string => `${location.pathname} ${JSON.stringify(began)}`

  /** The form was opened, and its fields stand as they begin. */
  function opened(): void {
    began = textsOf(form.fields)
    const typed = kept.get(place())
    restored.value = typed !== undefined
    if (typed) for (const [name, text] of Object.entries(typed)) Object.assign(form.fields[name] ?? {}, { text })
  }
  const saved = (): void => {
    kept.delete(place())
    began = textsOf(form.fields)
  }
  function keep(): boolean {
    const typed = textsOf(form.fields)
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

/** A calculator as it is asked: a field for each thing it wants, and its answer, reckoned anew while one types. */
import { proxy, wrap, type Remote } from 'comlink'
import { computed, onScopeDispose, reactive, shallowRef, toRaw, watch, type Ref } from 'vue'
import type { Answer, Ask, Calculator, Values } from '#core/calculators/index.ts'
import { readLength, writeLength } from '#core/measure/length.ts'
import type { Reading } from '#core/measure/decimal.ts'
import type { Rules } from '#core/rulebook/rulebook.ts'
import type { Wrong } from '#core/soft-goods/cloth.ts'
import { choiceField, distanceField, maybeLengthField, maybeNumberField, type Field } from '../parts/form.ts'
import type { Entry } from '../stores/entry.ts'
import type { CalculatorsWorker } from '../workers/calculators.worker.ts'

/** “3 × 1.2 m; 80 cm” as the lengths it means. */
function readLengths(text: string, { unit }: Entry): Reading<number[]> {
  const all: number[] = []
  for (const part of text.split(';').map((word) => word.trim())) {
    if (part === '') continue
    const several = /^(\d{1,3})\s?[×x*]\s?(.+)$/i.exec(part)
    const read = readLength(several?.[2] ?? part, unit)
    if (!read.ok) return { ok: false, error: `“${part}”: ${read.error}` }
    all.push(...Array.from({ length: Number(several?.[1] ?? 1) }, () => read.value))
  }
  return { ok: true, value: all }
}

/** A thing that is asked, with what was answered of it before in place of what it begins with. */
function begun(ask: Ask, known: Values): Ask {
  const value = known[ask.key]
  if (value === undefined) return ask
  switch (ask.as) {
    case 'length':
      return { ...ask, start: value as number | null, startFeet: undefined }
    case 'lengths':
      return { ...ask, start: (value as readonly number[]).map((mm) => `${mm} mm`).join('; ') }
    case 'choice':
      return { ...ask, start: value as string }
    default:
      return value === null ? ask : { ...ask, start: value as number }
  }
}

export function fieldFor(ask: Ask, entry: Entry): Field<unknown> {
  const isFeet = entry.units !== 'metric'
  switch (ask.as) {
    case 'length': {
      const start = isFeet ? (ask.startFeet ?? ask.start) : ask.start
      // what may be nothing is no mistake at 0
      return start === 0 ? distanceField(entry, 0) : maybeLengthField(entry, start)
    }
    case 'number':
      return maybeNumberField(ask.start, 3)
    case 'amount': {
      const amount = maybeNumberField(ask.start / 100, 2)
      const inCents = (text: string): Reading<number | null> => {
        const read = amount.read(text)
        return read.ok ? { ok: true, value: read.value === null ? null : Math.round(read.value * 100) } : read
      }
      return { ...amount, read: inCents, echo: () => '' }
    }
    case 'choice':
      return choiceField(ask.options, ask.start)
    case 'lengths':
      return {
        text: ask.start,
        error: '',
        read: (text: string) => readLengths(text, entry),
        echo: (value: unknown) => (value as number[]).map((mm) => writeLength(mm, entry.units)).join(' + '),
      }
  }
}

/** What takes longer is not waited for once more is typed. */
const mostMs = 400
/** The worker of the page; what it is busy with when more is typed is stopped by ending it. */
function newest() {
  let instance: Worker | null = null
  let remote: Remote<CalculatorsWorker> | null = null
  let busy = 0
  let since: number | null = null
  /** How far what takes long has come, 0 to 1; null while nothing does. */
  const share = shallowRef<number | null>(null)
  const end = (): void => {
    instance?.terminate()
    instance = remote = null
    since = null
    share.value = null
    busy++
  }
  onScopeDispose(end)
  const reckon = async (
    id: string,
    values: Values,
    units: Entry['units'],
    rules: Rules | null,
  ): Promise<Answer | Wrong | null> => {
    const startedAt = performance.now()
    if (since !== null && startedAt - since > mostMs) end()
    const mine = ++busy
    if (!remote) {
      instance = new Worker(new URL('../workers/calculators.worker.ts', import.meta.url), { type: 'module' })
      remote = wrap<CalculatorsWorker>(instance)
    }
    since ??= startedAt
    const heard = proxy((so: number) => {
      if (mine === busy) share.value = so
    })
    const answer = await remote.reckon(id, values, units, rules, heard)
    if (mine !== busy) return null
    since = null
    share.value = null
    return answer
  }
  return { reckon, share, stop: end }
}

/** @param kept what was answered before, what the room answers unasked, and the rules of its makeover */
export function useAsked(
  calculator: Ref<Calculator>,
  entry: Ref<Entry>,
  kept?: { readonly known: Ref<Values>; readonly besides: Ref<Values>; readonly rules: Ref<Rules> },
) {
  const known = kept?.known
  const none: Record<string, Field<unknown>> = {}
  const state = reactive({ fields: none })
  const answer = shallowRef<Answer | null>(null)
  const missing = shallowRef('')
  /** What was read last, where all of it could be. */
  const values = shallowRef<Values>({})
  /** What the fields were filled from: what is the same stays as it is typed. */
  let filled: { readonly from: string; readonly known: Values } | null = null
  watch(
    () => JSON.stringify([calculator.value.id, entry.value.units, entry.value.unit, known?.value ?? {}]),
    () => {
      const from_ = JSON.stringify([calculator.value.id, entry.value.units, entry.value.unit])
      const told = known?.value ?? {}
      const former = filled?.from === from_ ? filled.known : null
      if (!former) answer.value = null
      state.fields = Object.fromEntries(
        calculator.value.asks.map((ask) => {
          const field = former && state.fields[ask.key]
          const isSame = former && JSON.stringify(former[ask.key]) === JSON.stringify(told[ask.key])
          return [ask.key, field && isSame ? field : fieldFor(begun(ask, told), entry.value)]
        }),
      )
      filled = { from: from_, known: told }
    },
    { immediate: true },
  )
  const textOf = (key: string): string => state.fields[key]?.text ?? ''
  const shown = computed(() =>
    calculator.value.asks.filter(({ when }) => when === undefined || when.is.includes(textOf(when.key))),
  )
  const { reckon, share, stop } = newest()
  watch(
    () => shown.value.map(({ key }) => textOf(key)).join('\u0000'),
    async () => {
      const read: Record<string, Values[string]> = {}
      let good = true
      for (const { key } of shown.value) {
        const field = state.fields[key]
        if (!field) continue
        const typed = field.read(field.text)
        field.error = typed.ok ? '' : typed.error
        if (typed.ok) read[key] = typed.value as Values[string]
        else good = false
      }
      missing.value = ''
      if (!good) {
        answer.value = null
        return
      }
      values.value = read
      const found = await reckon(
        calculator.value.id,
        { ...read, ...kept?.besides.value },
        entry.value.units,
        kept ? toRaw(kept.rules.value) : null,
      )
      if (!found) return
      if (found.ok) {
        answer.value = found
        return
      }
      answer.value = null
      const field = state.fields[found.field]
      const label = calculator.value.asks.find(({ key }) => key === found.field)?.label ?? ''
      // what nobody typed yet is no mistake: it is asked for where the answer will stand
      if (field && field.text.trim() !== '') field.error = found.error
      else missing.value = label === '' ? found.error : `${label}: ${found.error.replace(/^is nothing: /, '')}`
    },
    { immediate: true },
  )
  return { state, shown, answer, values, missing, share, stop }
}

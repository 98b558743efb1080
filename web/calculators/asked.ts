/** A calculator as it is asked: a field for each thing it wants, and its answer, reckoned anew while one types. */
import { wrap, type Remote } from 'comlink'
import { computed, onScopeDispose, reactive, shallowRef, watch, type Ref } from 'vue'
import type { Answer, Ask, Calculator, Values } from '#core/calculators/index.ts'
import { readLength, writeLength } from '#core/measure/length.ts'
import type { Reading } from '#core/measure/decimal.ts'
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
  const end = (): void => {
    instance?.terminate()
    instance = remote = null
  }
  onScopeDispose(end)
  return async (...asked: Parameters<CalculatorsWorker['reckon']>) => {
    const mine = ++busy
    const startedAt = performance.now()
    if (since !== null && startedAt - since > mostMs) {
      end()
      since = null
    }
    if (!remote) {
      instance = new Worker(new URL('../workers/calculators.worker.ts', import.meta.url), { type: 'module' })
      remote = wrap<CalculatorsWorker>(instance)
    }
    since ??= startedAt
    const answer = await remote.reckon(...asked)
    if (mine === busy) since = null
    return mine === busy ? answer : null
  }
}

export function useAsked(calculator: Ref<Calculator>, entry: Ref<Entry>) {
  const none: Record<string, Field<unknown>> = {}
  const state = reactive({ fields: none })
  const answer = shallowRef<Answer | null>(null)
  const missing = shallowRef('')
  watch(
    [calculator, entry],
    () => {
      answer.value = null
      state.fields = Object.fromEntries(calculator.value.asks.map((ask) => [ask.key, fieldFor(ask, entry.value)]))
    },
    { immediate: true },
  )
  const textOf = (key: string): string => state.fields[key]?.text ?? ''
  const shown = computed(() =>
    calculator.value.asks.filter(({ when }) => when === undefined || when.is.includes(textOf(when.key))),
  )
  const ask = newest()
  watch(
    () => shown.value.map(({ key }) => textOf(key)).join('\u0000'),
    async () => {
      const values: Record<string, Values[string]> = {}
      let good = true
      for (const { key } of shown.value) {
        const field = state.fields[key]
        if (!field) continue
        const read = field.read(field.text)
        field.error = read.ok ? '' : read.error
        if (read.ok) values[key] = read.value as Values[string]
        else good = false
      }
      missing.value = ''
      if (!good) {
        answer.value = null
        return
      }
      const found = await ask(calculator.value.id, values, entry.value.units)
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
  return { state, shown, answer, missing }
}

import { v7 as uuidv7 } from 'uuid'
import { computed, reactive, ref } from 'vue'
import { byId } from '#core/makeover/by-id.ts'
import { add, edit, remove, type Operation } from '#core/makeover/change.ts'
import { patterns, scales } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { labOf, repeatOf, scaleOf } from '#core/palette/index.ts'
import type { Rules } from '#core/rulebook/rulebook.ts'
import { maybeChoiceField, rateField, readFields, type Field } from '../parts/form.ts'
import { useRows } from '../stores/rows.ts'
import type { Printed } from '../parts/printed.ts'

/** What the form says of a pattern: its sort, its scale, how far it goes until it repeats. */
export type PatternFields = {
  readonly pattern: Field<unknown>
  readonly patternScale: Field<unknown>
  readonly repeatMm: Field<number | null>
}

/** The palette colours that a patterned finish carries, as they are typed: lines beside the form of the finish. */
export function usePatternParts(finish: () => Row<'finish'> | null, fields: () => PatternFields, rules: () => Rules) {
  const finishes = useRows('finish')
  const patternParts = useRows('patternPart')
  /** The palette colours that a pattern carries, each with its share. */
  type Part = { row: Row<'patternPart'> | null; part: Field<string | null>; share: Field<number> }
  const parts = ref<Part[]>([])
  const others = computed(() =>
    finishes.value.filter((thisFinish) => thisFinish.id !== finish()?.id && thisFinish.pattern === 'plain'),
  )
  const partLine = (row: Row<'patternPart'> | null): Part =>
    reactive({
      row,
      part: maybeChoiceField(
        others.value.map((finish) => finish.id),
        row?.partId ?? null,
      ),
      share: rateField(row?.sharePpm ?? 250_000),
    })
  const begin = (): void => {
    parts.value = patternParts.value.filter((row) => row.finishId === finish()?.id).map(partLine)
  }
  const print = computed<Printed | undefined>(() => {
    const pattern = patterns.find((pattern) => pattern === fields().pattern.text) ?? 'plain'
    const scale = scales.find((scale) => scale === fields().patternScale.text) ?? 'medium'
    const read = parts.value.flatMap(({ part, share }) => {
      const carried = byId(finishes.value, part.text)
      const rate = share.read(share.text)
      return carried && rate.ok ? [{ lab: labOf(carried), share: rate.value / 1_000_000 }] : []
    })
    const repeat = fields().repeatMm.read(fields().repeatMm.text)
    const size = { patternScale: scale, repeatMm: repeat.ok ? repeat.value : null }
    return pattern === 'plain' || read.length === 0
      ? undefined
      : { pattern, scale: scaleOf(size, rules()), repeatMm: repeatOf(size, rules()), parts: read }
  })
  function partOperations(finishId: string, pattern: string): Operation[] | null {
    const kept = pattern === 'plain' ? [] : parts.value.filter(({ part }) => part.text !== '')
    const operations: Operation[] = patternParts.value
      .filter((row) => row.finishId === finishId && !kept.some((entry) => entry.row?.id === row.id))
      .map((row) => remove('patternPart', row))
    for (const { row, part, share } of kept) {
      const read = readFields({ share })
      if (!read) return null
      const fields = { finishId, partId: part.text, sharePpm: read.share }
      if (row === null) operations.push(add('patternPart', uuidv7(), fields))
      else if (row.partId !== fields.partId || row.sharePpm !== fields.sharePpm)
        operations.push(edit('patternPart', row, fields))
    }
    return operations
  }
  return { parts, others, partLine, begin, print, partOperations }
}

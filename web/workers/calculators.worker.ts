/** Reckons what is typed into a calculator, away from the main thread: cloth packed in the shortest length takes some tenths. */
import { expose } from 'comlink'
import { calculators, type Answer, type Values } from '#core/calculators/index.ts'
import type { UnitSystem } from '#core/measure/length.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import type { Wrong } from '#core/soft-goods/cloth.ts'

const rules = effectiveRules()
const worker = {
  reckon: (id: string, values: Values, units: UnitSystem): Answer | Wrong | null =>
    calculators.find((calculator) => calculator.id === id)?.reckon(values, rules, units) ?? null,
}
export type CalculatorsWorker = typeof worker
expose(worker)

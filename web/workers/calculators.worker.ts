/** Reckons what is typed into a calculator, away from the main thread: cloth packed in the shortest length takes some tenths. */
import { expose } from 'comlink'
import { calculators, type Answer, type Values } from '#core/calculators/index.ts'
import type { UnitSystem } from '#core/measure/length.ts'
import { effectiveRules, type Rules } from '#core/rulebook/rulebook.ts'
import type { Wrong } from '#core/soft-goods/cloth.ts'

const usual = effectiveRules()
const worker = {
  /** @param rules those of a makeover; null for what is usual */
  reckon: (
    id: string,
    values: Values,
    units: UnitSystem,
    rules: Rules | null,
    heard?: (share: number) => void,
  ): Answer | Wrong | null =>
    calculators.find((calculator) => calculator.id === id)?.reckon(values, rules ?? usual, units, heard) ?? null,
}
export type CalculatorsWorker = typeof worker
expose(worker)

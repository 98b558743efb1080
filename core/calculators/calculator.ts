/**
 * What a calculator asks and answers, without a room: numbers in, what to buy with its working out. Each is plain data, so that one page
 * asks them all. Lengths in mm; amounts in minor units.
 */
import type { ThingKind } from '../makeover/choices.ts'
import { writeLength, type UnitSystem } from '../measure/length.ts'
import { workingLine, type WorkingLine } from '../money/working.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import type { Wrong } from '../soft-goods/cloth.ts'
import type { Framed } from '../soft-goods/framing.ts'
import type { Heard, Packing } from '../soft-goods/packing.ts'

export type Ask = {
  readonly key: string
  readonly label: string
  readonly hint?: string
  /** What is asked only while another answer is this. */
  readonly when?: { readonly key: string; readonly is: readonly string[] }
} & (
  | { readonly as: 'length'; readonly start: number | null; readonly startFeet?: number | undefined }
  | { readonly as: 'number'; readonly start: number; readonly unit: string }
  | { readonly as: 'amount'; readonly start: number }
  | { readonly as: 'choice'; readonly start: string; readonly options: readonly string[] }
  | { readonly as: 'lengths'; readonly start: string }
)
/** Answers by their keys: numbers, words of choices, and lists of lengths. */
export type Values = Readonly<Record<string, number | string | readonly number[] | null>>
export type Answer = {
  readonly ok: true
  /** What a person wants to know first: “5 rolls”. */
  readonly headline: string
  readonly lines: readonly WorkingLine[]
  /** What is said besides. */
  readonly says: readonly string[]
  /** How panels lie on their cloth, where they do. */
  readonly packing: { readonly packing: Packing; readonly widthMm: number } | null
  /** The same of a second cloth, where its backs are of another. */
  readonly second?: { readonly packing: Packing; readonly widthMm: number }
  /** A picture in its frame, where that is what was asked. */
  readonly framed?: Framed
  /** What each part is cut to, where a thing is made of parts. */
  readonly cuts?: readonly CutPart[]
  /** As it would be kept: what is planned, and how much of it. */
  readonly keeps: { readonly name: string; readonly thing: ThingKind; readonly quantity: number; readonly unit: string }
}
/** A part of a made thing, and how many of it. */
export type CutPart = { readonly part: string; readonly count: number; readonly size: string }
export type Calculator = {
  readonly id: string
  readonly title: string
  /** What it answers, in a few words. */
  readonly about: string
  readonly asks: readonly Ask[]
  /** What takes longer lets be heard how far it has come. */
  readonly reckon: (values: Values, rules: Rules, units: UnitSystem, heard?: Heard) => Answer | Wrong
}

export const numberOf = (values: Values, key: string): number => {
  const value = values[key]
  return typeof value === 'number' ? value : Number.NaN
}
export const maybeNumber = (values: Values, key: string): number | null => {
  const value = values[key]
  return typeof value === 'number' ? value : null
}
export const wordOf = (values: Values, key: string): string => {
  const value = values[key]
  return typeof value === 'string' ? value : ''
}
export const listOf = (values: Values, key: string): readonly number[] => {
  const value = values[key]
  return Array.isArray(value) ? (value as readonly number[]) : []
}

export const told = (label: string, amount: string, how = ''): WorkingLine => workingLine(label, amount, how)
export const lengthIn =
  (units: UnitSystem) =>
  (mm: number): string =>
    writeLength(mm, units)
/** Cloth, paper and moulding are bought by the metre, or by the yard and foot. */
export const soldLength = (
  mm: number,
  units: UnitSystem,
): { readonly quantity: number; readonly unit: string; readonly words: string } => {
  const [size, unit, step] = units === 'metric' ? [1000, 'm', 0.1] : [914.4, 'yd', 0.125]
  const quantity = Math.round(Math.ceil(mm / size / step - 1e-9) * step * 1000) / 1000
  return { quantity, unit, words: `${quantity} ${unit}` }
}
export const areaIn = (m2: number, units: UnitSystem): string =>
  units === 'metric'
    ? `${(Math.round(m2 * 100) / 100).toFixed(2)} m²`
    : `${(Math.round(m2 * 107.639) / 10).toFixed(1)} sq ft`
export const plural = (count: number, single: string, several = `${single}s`): string =>
  `${count} ${count === 1 ? single : several}`
export const roomLength: Ask = { key: 'length', label: 'Length of the room', as: 'length', start: null }
export const roomWidth: Ask = { key: 'width', label: 'Width of the room', as: 'length', start: null }
export const clothWidth: Ask = { key: 'clothWidth', label: 'Width of the cloth', as: 'length', start: 1370 }
export const yesNo = ['no', 'yes'] as const

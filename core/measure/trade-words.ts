/** The trade's words where they part across the ocean: American ones on American jobs. Common practice of the trade. */
import type { Habits } from './habits.ts'

const american: Readonly<Record<string, string>> = {
  skirting: 'baseboard',
  skirtings: 'baseboards',
  moulding: 'molding',
  mouldings: 'moldings',
}
const british = new RegExp(`\\b(${Object.keys(american).join('|')})\\b`, 'gi')

/** A text of the product's own in the words of the place; what people typed is never put through it. */
export const inTradeWords = (text: string, { words }: Pick<Habits, 'words'>): string =>
  words === 'British'
    ? text
    : text.replace(british, (word) => {
        const told = american[word.toLowerCase()] ?? word
        return word[0] === word[0]?.toUpperCase() ? `${told[0]?.toUpperCase() ?? ''}${told.slice(1)}` : told
      })

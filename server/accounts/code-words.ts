import type { CodeTold } from './second-factor.ts'

/** What is said of a code that does not open. */
export function codeWords(told: CodeTold): string {
  if (told.is === 'used') return 'was used already: wait for the next one'
  if (told.is !== 'clock') return 'is not right: expected the six figures that your app shows now'
  const minutes = Math.max(1, Math.round(Math.abs(told.offSeconds) / 60))
  const off = `about ${minutes === 1 ? 'a minute' : `${minutes} minutes`}`
  return `is of another time: the clock of the device with your app is ${off} ${told.offSeconds < 0 ? 'behind' : 'ahead'}. Let it set its time by itself, and try again`
}

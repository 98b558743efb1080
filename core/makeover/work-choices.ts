/** What is chosen from in the calendar: who does a task, and the days of the week. */
export const trades = [
  'client',
  'studio',
  'painter',
  'tiler',
  'floor layer',
  'carpenter',
  'electrician',
  'plumber',
  'workroom',
  'owner',
] as const
export type Trade = (typeof trades)[number]
/** What is known of a delivery: looked for, agreed to by its carrier, said to come later, or to come in part. */
export const arrivalStates = ['expected', 'confirmed', 'late', 'part'] as const
export type ArrivalState = (typeof arrivalStates)[number]
export const weekdays = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const

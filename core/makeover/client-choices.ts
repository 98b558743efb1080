/** What is chosen from on the client's side and at the reveal. */
export const presentedParts = [
  'brief',
  'palette',
  'plan',
  'choices',
  'turned down',
  'treatments',
  'dates',
  'money',
] as const
export type PresentedPart = (typeof presentedParts)[number]
export const replies = ['yes', 'another', 'comment', 'asks back'] as const
export const tickStates = ['there', 'stands in', 'missing'] as const
export const reminderKinds = ['season', 'plant', 'wear', 'placeholder', 'goes back', 'other'] as const
/** A picture of a view before the work, or after it. */
export const moments = ['before', 'after'] as const

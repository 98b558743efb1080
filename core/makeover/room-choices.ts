/** What rows say by choosing of walls, of lamps and of what stands on shelves. */

/** What a wall is made of, as far as what holds in it goes. */
export const wallStuffs = [
  'not said',
  'plasterboard',
  'lath and plaster',
  'brick or block',
  'concrete',
  'timber',
  'tile',
] as const
/** What stands on shelves and mantels. */
export const displays = [
  'books',
  'vase',
  'bowl',
  'box',
  'basket',
  'jar',
  'candle',
  'frame',
  'figure',
  'plate',
  'plant',
  'lamp',
  'clock',
  'other',
] as const
/** How a lamp spreads its light. */
export const lampSpreads = ['all round', 'down', 'up', 'up and down', 'beam'] as const
export type Display = (typeof displays)[number]
export type LampSpread = (typeof lampSpreads)[number]

/** An upright rectangle on a wall, in mm. */
export type Box = { readonly left: number; readonly right: number; readonly low: number; readonly top: number }
/** What only touches does not overlap. */
export const overlaps = (box: Box, met: Box): boolean =>
  Math.min(box.right, met.right) - Math.max(box.left, met.left) > 1 &&
  Math.min(box.top, met.top) - Math.max(box.low, met.low) > 1

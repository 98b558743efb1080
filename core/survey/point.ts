/** A point of a plan, in mm, y upwards. */
export type Point = { readonly x: number; readonly y: number }

/** Where things stand, as the other steps take it: what each is seen against, and how much of it and of the room is seen. */
export type Stands = {
  readonly roomId: string
  /** The middle of each of it, in mm of the room's own plan. */
  readonly places: readonly { readonly x: number; readonly y: number }[]
  /** The wall it stands before; null where it stands free. */
  readonly wallId: string | null
  /** The zones it stands in, of those that have a place. */
  readonly zoneIds: readonly string[]
  /** What of it faces one who looks, in m²: its front, or the whole of what lies flat. */
  readonly m2: number
  /** The share of that which is seen, 0 to 1. */
  readonly seen: number
  readonly flat: boolean
}
export type Whereabouts = {
  /** By the id of the piece: those that stand in the layout in force. */
  readonly pieces: ReadonlyMap<string, Stands>
  /** The share of a surface that is seen past what stands before it, 0 to 1: of a wall by its id, of the others by `flatId`. */
  readonly surfaces: ReadonlyMap<string, number>
}
export const flatId = (roomId: string, surface: 'floor' | 'ceiling'): string => `${roomId} ${surface}`
/** While nothing stands anywhere. */
export const nowhere: Whereabouts = { pieces: new Map(), surfaces: new Map() }

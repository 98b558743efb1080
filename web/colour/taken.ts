/** How a colour came into a field that was not typed. */
export type TakenFrom = 'library' | 'photo' | 'measured' | 'picker'

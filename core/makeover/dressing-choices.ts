/** The fixed lists of what hangs before a window, and of what is made. */
export const dressings = ['curtains', 'sheers', 'Roman blind', 'roller blind', 'pleated blind', 'pelmet'] as const
export const railings = ['pole', 'track'] as const
export const headings = ['pleated', 'eyelet', 'gathered', 'wave'] as const
/** Where it ends below. */
export const falls = ['sill', 'below the sill', 'floor', 'puddle'] as const
/** What is behind the cloth. */
export const linings = ['none', 'lined', 'interlined', 'dim-out', 'blackout'] as const
/** How dark a window is made for whoever sleeps there, from the lightest on. */
export const darkness = ['dimmed', 'darkened', 'blacked out'] as const

export type DressingKind = (typeof dressings)[number]
export type Heading = (typeof headings)[number]
export type Darkness = (typeof darkness)[number]
export const isBlind = (what: DressingKind): boolean => what.endsWith('blind')

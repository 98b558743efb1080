/** How a lamp spreads its light: the intensity in a direction, for one lumen. */
import type { LampSpread } from '../../makeover/room-choices.ts'

export type Spread = { readonly spread: LampSpread; readonly beamDeg: number | null }

/** A beam of which nobody read the angle; common practice for a spot. */
export const usualBeamDeg = 40

/**
 * Candela for each lumen, by the cosine between a direction and straight down. Even all round over the sphere; down, up and both ways by
 * Lambert's law; a beam even within its cone. Over all directions each comes to one lumen.
 */
export function candelaPerLumen({ spread, beamDeg }: Spread, cosDown: number): number {
  switch (spread) {
    case 'all round':
      return 1 / (4 * Math.PI)
    case 'down':
      return Math.max(0, cosDown) / Math.PI
    case 'up':
      return Math.max(0, -cosDown) / Math.PI
    case 'up and down':
      return Math.abs(cosDown) / (2 * Math.PI)
    case 'beam': {
      const edge = Math.cos(((beamDeg ?? usualBeamDeg) * Math.PI) / 360)
      return cosDown >= edge ? 1 / (2 * Math.PI * (1 - edge)) : 0
    }
  }
}

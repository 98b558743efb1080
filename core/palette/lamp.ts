/** Whether two finishes may come nearer or part by lamp light: their spectra are typical, so it is never more than may. */
import { deltaE } from '../colour/difference.ts'
import { underLamp } from '../colour/lamp.ts'
import { chroma, type Lab } from '../colour/lab.ts'
import { reflectanceOf, type Colourant } from '../colour/reflectance.ts'
import type { Family } from '../makeover/choices.ts'
import type { Rules } from '../rulebook/rulebook.ts'
import { fromLibrary } from './library.ts'
import type { Swatch } from './compare.ts'

const usual: Readonly<Record<Family, Colourant>> = {
  paint: 'mineral',
  wood: 'wood',
  metal: 'metal',
  textile: 'dye',
  plush: 'dye',
  leather: 'dye',
  stone: 'mineral',
  ceramic: 'mineral',
  glass: 'mineral',
  paper: 'dye',
  cane: 'wood',
  greenery: 'leaf',
}
/** What is likely to give a finish its colour: as the library says, or as its family usually does; pale ones by their white. */
export function colourantOf({ family, lab }: Swatch, name = ''): Colourant {
  const known = fromLibrary(name)
  if (known && known.family === family) return known.colourant
  return (family === 'paint' || family === 'ceramic') && lab.L > 84 && chroma(lab) < 12 ? 'white' : usual[family]
}

export type ByLamp = {
  readonly deltaE: number
  readonly by: number
  readonly words: 'may close up' | 'may part' | 'much as by day'
}

/** The difference of two finishes by day and by lamp; a change that a trained eye would not see is none. */
export function byLamp(
  left: Swatch & { readonly name?: string },
  right: Swatch & { readonly name?: string },
  rules: Rules,
): ByLamp {
  const lampLab = (swatch: Swatch & { readonly name?: string }): Lab =>
    underLamp(reflectanceOf(swatch.lab, colourantOf(swatch, swatch.name)).values)
  const [lamp, day] = [deltaE(lampLab(left), lampLab(right)), deltaE(left.lab, right.lab)]
  const by = lamp - day
  return {
    deltaE: lamp,
    by,
    words: Math.abs(by) < rules['colour.unseen'] ? 'much as by day' : by < 0 ? 'may close up' : 'may part',
  }
}

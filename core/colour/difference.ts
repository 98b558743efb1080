import { differenceCiede2000 } from 'culori'
import type { Lab } from './lab.ts'

const ciede2000 = differenceCiede2000()

/** Colour difference ΔE00 with all weights 1 (CIEDE2000: Sharma, Wu, Dalal 2005), both colours in Lab for one white. */
export const deltaE = (lab: Lab, right: Lab): number =>
  ciede2000({ mode: 'lab65', l: lab.L, a: lab.a, b: lab.b }, { mode: 'lab65', l: right.L, a: right.a, b: right.b })

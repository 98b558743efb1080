import { millimetresIn, type UnitSystem } from './length.ts'

const squareFoot = millimetresIn.ft ** 2 / 1e6
const cubicFoot = millimetresIn.ft ** 3 / 1e9

/** An area given in m², as the makeover shows it: "12.34 m²", or "132.8 sq ft". */
export const writeArea = (m2: number, system: UnitSystem): string =>
  system === 'metric' ? `${m2.toFixed(2)}\u00a0m²` : `${(m2 / squareFoot).toFixed(1)}\u00a0sq\u00a0ft`
/** A volume given in m³: "31.2 m³", or "1102 cu ft". */
export const writeVolume = (m3: number, system: UnitSystem): string =>
  system === 'metric' ? `${m3.toFixed(1)}\u00a0m³` : `${Math.round(m3 / cubicFoot)}\u00a0cu\u00a0ft`

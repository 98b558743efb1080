import { furnished } from '#core/testing/placed.ts'
import { rectangle } from '#core/testing/surveyed.ts'
import { bareField, withBodies } from '#core/placement/clearance.ts'
import { waysOf } from '#core/placement/ways.ts'
const room: any = { walls: rectangle(5200, 4200), survey: { heightMm: 2500 }, openings: [
    { wall: 0, what: 'door', fromMm: 300, widthMm: 850, headMm: 2000, hinge: 'left', swing: 'in' },
    { wall: 2, what: 'window', fromMm: 1800, widthMm: 1500, sillMm: 800, headMm: 2100 } ] }
for (const [wide, split] of [[693,2742],[693,2743],[700,2742],[692,2000],[500,2742],[450,1500]]) {
 const t = (name: string, w: number, x: number): any => ({ name, size: [w,400,800], at: [x,-2100], piece: { thing: 'table' } })
 const { setting, bodies, rules } = furnished(room, [t('L', split!, split!/2), t('R', 5200-split!-wide!, (5200+split!+wide!)/2)], [{ name: 'By', wall: 2, fromMm: 500, widthMm: 3500, depthMm: 800 }])
 const solids = [...bodies, ...setting.built]
 const [way] = waysOf(setting, withBodies(bareField(setting), solids), solids, rules['place.way-main'])
 console.log(wide, split, way?.clearMm, way?.narrowest?.between.map(b=>b?.name))
}

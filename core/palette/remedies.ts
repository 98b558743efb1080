/** What cures remarks on the palette: the least change of a colour, or of what is laid where. */
import type { Practice } from '../rulebook/practice.ts'
import type { Remark } from '../remarks/remark.ts'
import type { Makeover } from '../makeover/document.ts'
import { balanceCures, clashCures } from './cure.ts'
import type { Palette } from './finishes.ts'

type Has = { readonly palette: Palette; readonly practice: Practice }

export const paletteRemedies = {
  'palette.clash': {
    words: 'Cure it',
    find: ({ subjects }: Remark, makeover: Makeover, { practice }: Has) =>
      clashCures(makeover, { left: subjects[0]?.id ?? '', right: subjects[1]?.id ?? '' }, practice),
  },
  'palette.balance': {
    words: 'What would bring it right',
    find: (_remark: Remark, makeover: Makeover, { palette, practice }: Has) =>
      balanceCures(makeover, palette, practice),
  },
}

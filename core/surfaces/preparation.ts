/** What is done to what is there before the finish goes on: proposed from what it is, with its material and its hours. */
import type { preparations } from '../makeover/choices.ts'
import type { Fields } from '../makeover/kinds.ts'
import type { LaidFinish } from '../makeover/laid.ts'
import type { Rules } from '../rulebook/rulebook.ts'

export type Preparation = (typeof preparations)[number]
export type Work = {
  readonly what: Preparation
  readonly because: string
  readonly m2: number
  readonly hours: number
  readonly frees: boolean
}
type How = Fields<'treatment'>['how']

const wet: ReadonlySet<How> = new Set(['paint', 'paper', 'tile'])

/**
 * The work before a finish, in its order. Nothing is known of bare walls that nobody noted: they are washed down and filled. `frees`:
 * the work sets free what an old coat or floor may hold.
 */
export function preparationFor(
  how: How,
  surface: 'walls' | 'ceiling' | 'floor' | 'trim' | 'door' | 'window' | 'radiator',
  old: Pick<LaidFinish, 'material' | 'condition' | 'sheen' | 'name'> | null,
  m2: number,
  rules: Rules,
): Work[] {
  const works: Work[] = []
  const add = (what: Preparation, because: string, frees = false): void =>
    void works.push({ what, because, m2, hours: m2 * rules[`prepare.${what}`], frees })
  const onFloor = surface === 'floor'
  const { material = null, condition = null } = old ?? {}
  if (how === 'loose' || how === 'as it is' || how === 'hard ground') return []
  if (onFloor) {
    if (material === 'carpet') add('lift', 'carpet lies there')
    if ((material === 'sheet floor' || material === 'tile') && how !== 'paint' && condition === 'damaged')
      add('lift', `the old ${material} is damaged`, true)
    if (how === 'paint') add('sand', 'paint holds on a keyed floor', true)
    if (condition !== 'good' && how !== 'paint')
      add('level', old ? 'what is there is not even' : 'nobody noted what is under it')
    return works
  }
  if (material === 'paper' && how !== 'moulding' && how !== 'panels')
    add('strip', 'paper is on it: new paint or paper lifts it')
  else if (wet.has(how)) add('wash', old ? 'grease and dust keep a coat from holding' : 'nobody noted what is there')
  if (how === 'moulding' || how === 'panels') return works
  if (condition !== 'good')
    add(
      'fill',
      condition === 'damaged' ? 'it is damaged' : condition === 'worn' ? 'it is worn' : 'cracks and holes are usual',
    )
  const glossy = old?.sheen === 'gloss' || old?.sheen === 'satin'
  if (glossy || condition === 'damaged')
    add('sand', glossy ? 'it shines: a coat slips off' : 'what is filled is sanded', true)
  if (how === 'paper') add('seal', glossy ? 'paste does not hold on gloss' : 'size lets a strip slide into place')
  if (how === 'tile') add('prime', 'adhesive holds on a primed wall')
  return works
}

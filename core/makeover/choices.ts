/** The fixed lists that fields choose from. */
export const importances = ['must', 'should', 'nice'] as const
export const roles = ['dominant', 'secondary', 'accent'] as const
export const families = [
  'paint',
  'wood',
  'metal',
  'textile',
  'plush',
  'leather',
  'stone',
  'ceramic',
  'glass',
  'paper',
  'cane',
  'greenery',
] as const
export const sheens = ['matt', 'eggshell', 'satin', 'gloss'] as const
/** What a seller was not asked yet. */
export const openTerms = ['returns', 'delivery', 'tax'] as const
/** How a material is worked, where its family can be worked in more than one way; "usual" is the family’s own. */
export const textures = ['usual', 'plaster', 'brushed', 'polished', 'aged', 'terrazzo', 'tile', 'leaf'] as const
export const surfaces = [
  'walls',
  'ceiling',
  'floor',
  'trim',
  'door',
  'window',
  'radiator',
  'piece',
  'step edge',
  'rail',
  'switch',
  'other',
] as const
/** Surfaces of a room, which are treated; a finish that lies on none of them is on a thing. */
export const treatables = [
  'walls',
  'ceiling',
  'floor',
  'trim',
  'door',
  'window',
  'radiator',
  'step edge',
  'rail',
  'switch',
] as const
/** How a surface is done. */
export const hows = [
  'paint',
  'paper',
  'tile',
  'boards',
  'sheet',
  'carpet',
  'panels',
  'moulding',
  'hard ground',
  'loose',
  'as it is',
] as const
/** Which moulding it is: along the floor, at a height, under the ceiling, round openings, or frames on the wall. */
export const profiles = ['skirting', 'dado rail', 'picture rail', 'cornice', 'casing', 'frames'] as const
/** What is done to what is there before the finish goes on. */
export const preparations = ['wash', 'strip', 'lift', 'fill', 'sand', 'level', 'prime', 'seal'] as const
/** How tiles are laid: their joints in line or stepped by a half or a third, on the diagonal, in a herringbone, upright. */
export const layouts = ['grid', 'half', 'third', 'stacked', 'diagonal', 'herringbone'] as const
/** How a patterned strip goes on beside the next; of a picture each panel is one of its own. */
export const matches = ['free', 'straight', 'half-drop', 'offset', 'picture'] as const
/** What goes under a finish. */
export const groundings = ['as proposed', 'nothing', 'primer', 'mist coat', 'lining paper', 'sealer'] as const
/** What a finish stands up to. */
export const uses = ['traffic', 'wet', 'sun', 'scrub'] as const
export const patterns = [
  'plain',
  'stripe',
  'check',
  'plaid',
  'trellis',
  'floral',
  'geometric',
  'motif',
  'all over',
] as const
export const scales = ['small', 'medium', 'large'] as const
export const colourSources = ['hex', 'lab', 'lch', 'name', 'picker', 'measured', 'maker', 'photo', 'library'] as const
export const unitSystems = ['metric', 'feet and inches'] as const
/** The unit of a bare number, where a length is typed. */
export const entryUnits = ['mm', 'cm', 'm', 'in'] as const
export const scopes = ['decorate', 'refresh', 'renovate'] as const

/** What a constraint can forbid: ways of doing, and qualities of things. */
/** How a thing is held on a wall. */
export const fixings = ['not said', 'nail', 'screw', 'anchor', 'strips', 'rail', 'leans'] as const
export const methods = ['drill', 'paint', 'remove', 'glue', 'wire in'] as const
export const qualities = [
  'fragile',
  'pale',
  'corded',
  'toxic plant',
  'heavy',
  'scented',
  'loose fibres',
  'small parts',
  'open flame',
] as const
export const forbiddable = [...methods, ...qualities] as const
export const constraintReasons = [
  'tenancy',
  'children',
  'pets',
  'allergies',
  'sun',
  'damp',
  'weight limit',
  'noise',
  'access',
  'listed building',
  'their wish',
] as const
export const answers = ['waiting', 'yes', 'no'] as const
export const ways = ['leave', 'cover', 'change parts', 'repaint', 'replace'] as const

/** The corner where a wall ends, seen from inside the room: square and drawn in, square and jutting out, of a measured angle, or of an angle nobody measured. */
export const corners = ['inside', 'outside', 'angle', 'unknown'] as const
/** A wall is straight, or an arc given by its radius or by how far it rises from the straight line between its ends. */
export const curves = ['straight', 'radius', 'rise'] as const
export const bowings = ['out', 'in'] as const
export const openingKinds = ['door', 'window', 'arch', 'niche'] as const
export const hingeSides = ['none', 'left', 'right'] as const
export const swings = ['none', 'in', 'out'] as const
export const fixtureKinds = [
  'socket',
  'switch',
  'light point',
  'radiator',
  'vent',
  'fireplace',
  'soffit',
  'built-in',
  'pipe',
  'other',
] as const
export const passageKinds = ['gate', 'door', 'corridor', 'turn', 'stair', 'lift'] as const
/** What becomes of a finish that is there already; a finish without a fate is a new one. */
export const fates = ['keep', 'change', 'camouflage'] as const
export const conditions = ['good', 'worn', 'damaged'] as const
/** What an old finish is made of, where it matters for cautions. */
export const materials = [
  'paint',
  'plaster',
  'textured coating',
  'paper',
  'wood',
  'sheet floor',
  'carpet',
  'tile',
  'stone',
  'metal',
  'other',
] as const

/** What was found in an old finish when it was tested; null while nobody tested it. */
export const testResults = ['found', 'clear'] as const
/** Whose rule it is how far apart two surfaces must be, to be told apart. */
export const contrastStandards = ['BS 8300-2', 'AS 1428.1', 'ISO 21542'] as const
/** What a room does to the things in it. */
export const roomUses = ['traffic', 'children', 'animals', 'food', 'wet', 'sun'] as const

/** What a piece is; "other" while nobody said. */
export const thingKinds = [
  'seat',
  'bed',
  'table',
  'storage',
  'shelf',
  'light',
  'rug',
  'curtain',
  'textile',
  'mirror',
  'work',
  'plant',
  'fixture',
  'appliance',
  'ornament',
  'material',
  'other',
] as const
/** What a part of a room is for. */
export const activities = ['sleep', 'work', 'talk', 'eat', 'pass', 'store', 'wash'] as const
/** The outline of a thing on the floor. */
export const footprints = ['rectangle', 'round', 'oval', 'L', 'drawn'] as const
/** How what is stored in it stands to the eye. */
export const fronts = ['open', 'closed', 'drawers'] as const
/** What the most of a thing is made of, as far as wear goes. */
export const stuffs = [
  'wool',
  'cotton',
  'linen',
  'silk',
  'viscose',
  'synthetic',
  'jute or sisal',
  'leather',
  'hide',
  'solid wood',
  'veneer',
  'chipboard',
  'cane',
  'stone',
  'marble or limestone',
  'ceramic',
  'glass',
  'steel or iron',
  'brass or bronze',
  'plastic',
  'paper',
] as const
export const cleanings = ['wiped', 'machine wash', 'hand wash', 'dry clean', 'not cleaned'] as const
/** From which day a seller counts its days to return. */
export const returnStarts = ['arrival', 'order'] as const

/** Where a thing comes from. */
export const sources = [
  'new',
  'second-hand',
  'trade',
  'owned',
  'moved',
  'borrowed',
  'made',
  'altered',
  'gift',
  'custom',
  'rented',
  'placeholder',
] as const
/** What is in hand already and is not ordered. */
export const inHand = ['owned', 'moved', 'borrowed', 'gift'] as const
export const keepReasons = ['works', 'sentimental', 'no money to replace it'] as const
export const priceKinds = ['list', 'asked', 'agreed', 'seen', 'paid', 'from memory'] as const
export const lights = ['morning', 'noon', 'evening', 'lamp'] as const
export const verdicts = ['open', 'right', 'wrong'] as const

export const tenders = ['card', 'transfer', 'cash', 'cheque', 'gift card', 'held credit', 'other'] as const
export const buyers = ['client', 'studio'] as const
/** How a studio is paid: one sum, by the hour, by what is spent, or by what its discounts save. */
export const feeWays = ['fixed', 'hourly', 'of the cost', 'of the discount'] as const
/** Does a fee that goes by the cost go by it with the tax in it? */
export const costBases = ['with tax', 'before tax'] as const
export const stageKinds = ['deposit', 'stage', 'balance'] as const
/** How money comes from a client, and goes back. */
export const clientTenders = ['transfer', 'card', 'cash', 'cheque', 'other'] as const
export const taxRoundings = ['line', 'total'] as const
export const creditKinds = ['gift card', 'credit note'] as const
export const claimReasons = ['damage', 'price drop', 'late', 'other'] as const
export const couponGives = ['percent', 'amount'] as const
export const couponBases = ['full price', 'reduced price'] as const
export const settlements = ['money', 'replacement'] as const
export const mediaTypes = ['image/jpeg', 'image/png', 'image/webp', 'application/pdf'] as const

export type Role = (typeof roles)[number]
export type Family = (typeof families)[number]
export type Sheen = (typeof sheens)[number]
export type Scale = (typeof scales)[number]
export type Surface = (typeof surfaces)[number]
export type Pattern = (typeof patterns)[number]
export type Texture = (typeof textures)[number]
export type Use = (typeof uses)[number]
export type Source = (typeof sources)[number]
export type Forbiddable = (typeof forbiddable)[number]
export type Light = (typeof lights)[number]
export type RoomUse = (typeof roomUses)[number]
export type Activity = (typeof activities)[number]
export type ThingKind = (typeof thingKinds)[number]
export type Stuff = (typeof stuffs)[number]
export const isInHand = (source: Source): boolean => inHand.some((name) => name === source)

/** Several choices kept as one text: the words of it. */
export const splitSeveral = (text: string): string[] => (text === '' ? [] : text.split(', '))
/** The chosen ones as one text, in the order of the list; what is not in the list is dropped. */
export const joinSeveral = (options: readonly string[], chosen: readonly string[]): string =>
  options.filter((option) => chosen.includes(option)).join(', ')

/** What the studio keeps: to show, to lend, left over and to use up, or its own tools. */
export const stockKinds = ['piece', 'sample', 'left over', 'tool'] as const

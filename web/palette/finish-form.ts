import { v7 as uuidv7 } from 'uuid'
import { computed, ref, watch, type Ref } from 'vue'
import { hexFromLab } from '#core/colour/lab.ts'
import { add } from '#core/makeover/change.ts'
import {
  conditions,
  families,
  fates,
  materials,
  methods,
  patterns,
  qualities,
  roles,
  scales,
  sheens,
  treatables,
  testResults,
  textures,
  uses,
} from '#core/makeover/choices.ts'
import type { Fields, Row } from '#core/makeover/kinds.ts'
import { isTreatable, layOn, relay, type Where } from '#core/makeover/lay.ts'
import { laidFinish } from '#core/makeover/laid.ts'
import { writeArea } from '#core/measure/area.ts'
import { labOf, undertone, type LibraryFinish } from '#core/palette/index.ts'
import { texturesOf } from '#core/texture/index.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { nameOfWall, wallsOf } from '#core/survey/index.ts'
import type { TakenFrom } from '../colour/taken.ts'
import { useBasis } from '../parts/basis.ts'
import {
  choiceField,
  colourField,
  distanceField,
  maybeChoiceField,
  maybeLengthField,
  maybeAreaField,
  maybeNumberField,
  severalField,
  textField,
  useForm,
  yesField,
} from '../parts/form.ts'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { usePatternParts } from './pattern-parts.ts'
import { bounded } from '../parts/bounded.ts'

/** Where a finish lies: on a surface of the room, or on a thing. */
export const onWhat = [...treatables, 'piece'] as const

/** What the form begins with. `existing`: a new finish is one that is there already, in the room given. */
export type FinishAsked = { readonly finish: Row<'finish'> | null; readonly existing: boolean; readonly roomId: string }

/** The form of one finish: what is typed, what it shows as material, and how it is kept. */
export function useFinishForm(asked: () => FinishAsked, open: Ref<boolean>) {
  const makeover = useMakeover()
  const rooms = useRows('room')
  const pieces = useRows('piece')
  const finishes = useRows('finish')
  const walls = useRows('wall')
  const zones = useRows('zone')
  const entry = useEntry()
  const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
  const written = (row: Row<'finish'>): string =>
    row.colourSource === 'hex' ? hexFromLab(labOf(row)) : `${row.labL} ${row.labA} ${row.labB}`
  const laidAs = (finish: Row<'finish'> | null) =>
    makeover.opened ? laidFinish(makeover.opened.makeover, finish?.id ?? null) : undefined
  /** It lies on several surfaces, which are treated one by one. */
  const onSeveral = computed(() => (laidAs(asked().finish)?.lies.length ?? 0) > 1)
  const measured = computed(() => {
    const area = makeover.reckoning?.lying.get(asked().finish?.id ?? '')
    return area?.basis === 'survey' ? writeArea(area.m2, entry.value.units) : ''
  })
  const { form, reset, submit } = useForm(() => {
    const { finish, existing, roomId } = asked()
    const where = laidAs(finish)?.lies[0]
    return bounded('finish', {
      name: textField(finish?.name),
      colour: colourField(finish ? written(finish) : ''),
      family: choiceField(families, finish?.family ?? 'paint'),
      sheen: choiceField(sheens, finish?.sheen ?? 'matt'),
      texture: choiceField(textures, finish?.texture ?? 'usual'),
      role: choiceField(roles, finish?.role ?? 'dominant'),
      usedFor: textField(finish?.usedFor),
      visibleM2: maybeAreaField(entry.value, finish?.visibleM2 ?? null),
      surface: choiceField(onWhat, where ? where.surface : finish ? 'piece' : 'walls'),
      pieceId: maybeChoiceField(
        pieces.value.map((piece) => piece.id),
        finish?.pieceId ?? null,
      ),
      pattern: choiceField(patterns, finish?.pattern ?? 'plain'),
      patternScale: maybeChoiceField(scales, finish?.patternScale ?? 'medium'),
      repeatMm: maybeLengthField(entry.value, finish?.repeatMm ?? null),
      suits: severalField(uses, finish?.suits ?? ''),
      hides: yesField(finish?.hides ?? false),
      zoneId: maybeChoiceField(
        zones.value.map((zone) => zone.id),
        finish?.zoneId ?? null,
      ),
      methods: severalField(methods, finish?.methods ?? ''),
      qualities: severalField(qualities, finish?.qualities ?? ''),
      roomId: choiceField(
        rooms.value.map((room) => room.id),
        finish?.roomId ?? (roomId || (rooms.value[0]?.id ?? '')),
      ),
      fate: maybeChoiceField(fates, finish ? finish.fate : existing ? 'keep' : null),
      condition: maybeChoiceField(conditions, finish ? finish.condition : existing ? 'good' : null),
      material: maybeChoiceField(materials, finish?.material ?? null),
      laidYear: maybeNumberField(finish?.laidYear ?? null, 0),
      tested: maybeChoiceField(testResults, finish?.tested ?? null),
      lrv: maybeNumberField(finish?.lrv ?? null, 1),
      touchUp: yesField(finish?.touchUp ?? false),
      weave: textField(finish?.weave),
      wallId: maybeChoiceField(
        walls.value.map((wall) => wall.id),
        where?.wallId ?? null,
      ),
      bandFromMm: distanceField(entry.value, where?.bandFromMm ?? 0),
      bandToMm: maybeLengthField(entry.value, where?.bandToMm ?? null),
    })
  })
  const zonesHere = computed(() => zones.value.filter((zone) => zone.roomId === form.fields.roomId.text))
  const texturesHere = computed(() =>
    texturesOf(families.find((family) => family === form.fields.family.text) ?? 'paint'),
  )
  const wallsHere = computed(() =>
    makeover.opened
      ? wallsOf(makeover.opened.makeover, form.fields.roomId.text).map((wall, at) => ({
          value: wall.id,
          label: nameOfWall(wall, at),
        }))
      : [],
  )
  const { basis, save: saveFinish } = useBasis('finish', () => asked().finish, open)
  const { parts, others, partLine, begin, print, partOperations } = usePatternParts(
    () => asked().finish,
    () => form.fields,
    () => rules.value,
  )
  watch(open, (isOpen) => {
    if (!isOpen) return
    reset()
    got.value = null
    begin()
  })
  const shown = computed(() => {
    const read = form.fields.colour.read(form.fields.colour.text)
    const family = families.find((family) => family === form.fields.family.text) ?? 'paint'
    const sheen = sheens.find((sheen) => sheen === form.fields.sheen.text) ?? 'matt'
    const texture = texturesOf(family).find((texture) => texture === form.fields.texture.text) ?? 'usual'
    if (!read.ok) return null
    const { L, a, b } = read.value.lab
    return {
      swatch: { family, texture, sheen, labL: L, labA: a, labB: b },
      words: undertone(family, read.value.lab, rules.value).words,
    }
  })

  /** Where the colour came from, while its text still says it. */
  const got = ref<{ text: string; source: TakenFrom } | null>(null)
  const taken = (text: string, source: TakenFrom): void => void (got.value = { text, source })
  function fromLibrary(libraryFinish: LibraryFinish): void {
    if (form.fields.name.text.trim() === '') form.fields.name.text = libraryFinish.name
    form.fields.family.text = libraryFinish.family
    form.fields.texture.text = libraryFinish.texture
    form.fields.sheen.text = libraryFinish.sheen
    form.fields.suits.text = libraryFinish.suits
  }
  /** A new finish stands last among those of its role. */
  const nextPlace = (role: string): number =>
    Math.min(
      1_000_000,
      1 +
        Math.max(
          0,
          ...finishes.value.filter((finish) => finish.role === role).map((finish) => Math.floor(finish.place)),
        ),
    )

  async function save(): Promise<void> {
    const done = await submit(
      ({ colour, surface, wallId, bandFromMm, bandToMm, ...values }) => {
        const seen = basis.value
        const kept = seen && form.fields.colour.text === written(seen)
        const { L: labL, a: labA, b: labB } = kept ? labOf(seen) : colour.lab
        const fields: Fields<'finish'> = {
          ...values,
          labL,
          labA,
          labB,
          colourSource: kept
            ? seen.colourSource
            : got.value?.text === form.fields.colour.text
              ? got.value.source
              : colour.source,
          place: asked().finish?.place ?? nextPlace(values.role),
        }
        if (values.pattern === 'plain') fields.patternScale = fields.repeatMm = null
        if (!texturesHere.value.includes(values.texture)) fields.texture = 'usual'
        if (!zonesHere.value.some((zone) => zone.id === values.zoneId)) fields.zoneId = null
        if (values.fate === null) fields.condition = fields.material = fields.laidYear = fields.tested = null
        const onWalls = surface === 'walls'
        const where: Where | null = isTreatable(surface)
          ? {
              surface,
              wallId: onWalls ? wallId : null,
              bandFromMm: onWalls && bandFromMm > 0 ? bandFromMm : null,
              bandToMm: onWalls ? bandToMm : null,
            }
          : null
        const id = asked().finish?.id ?? uuidv7()
        const laid = laidAs(asked().finish)
        const lies =
          laid && makeover.opened
            ? relay(makeover.opened.makeover, laid, fields, where, uuidv7)
            : where
              ? layOn(uuidv7(), { ...fields, id }, where, { place: fields.place })
              : []
        const partChanges = partOperations(id, values.pattern)
        if (partChanges === null)
          return Promise.resolve([{ field: null, message: 'A share of the pattern is not right yet: see above.' }])
        return asked().finish
          ? saveFinish(`Changed the finish ${values.name}`, fields, [...lies, ...partChanges])
          : makeover.change(
              values.fate === null ? `Laid ${values.name} into the palette` : `Noted ${values.name}, which is there`,
              [add('finish', id, fields), ...lies, ...partChanges],
            )
      },
      { labL: 'colour', labA: 'colour', labB: 'colour' },
    )
    if (done) open.value = false
  }
  return {
    form,
    zonesHere,
    texturesHere,
    wallsHere,
    onSeveral,
    measured,
    parts,
    others,
    partLine,
    print,
    shown,
    taken,
    fromLibrary,
    save,
  }
}

/** The kinds of row of the palette. */
import {
  colourSources,
  conditions,
  families,
  fates,
  lights,
  materials,
  methods,
  patterns,
  qualities,
  roles,
  scales,
  sheens,
  testResults,
  textures,
  uses,
  verdicts,
} from '../makeover/choices.ts'
import {
  choice,
  count,
  date,
  flag,
  lab,
  label,
  line,
  rate,
  real,
  reference,
  row,
  several,
  size,
} from '../makeover/fields.ts'

export const paletteKinds = {
  finish: row('finish', {
    roomId: reference('room'),
    zoneId: reference('zone').nullable(),
    name: label(),
    role: choice(roles),
    /** Its place among the finishes of its role, in the tray. */
    place: real(0, 1_000_000),
    family: choice(families),
    texture: choice(textures),
    sheen: choice(sheens),
    ...lab,
    colourSource: choice(colourSources),
    /** The piece that carries it. */
    pieceId: reference('piece').nullable(),
    /** Where in the room it is: "walls", "seat". */
    usedFor: line(120),
    /** Visible area judged by eye, in m²; null while nobody has judged it. */
    visibleM2: real(0.01, 10_000).nullable(),
    pattern: choice(patterns),
    patternScale: choice(scales).nullable(),
    /** How far its pattern goes until it repeats; null where nobody measured it, and its scale is all that is known. */
    repeatMm: size(),
    /** What it stands up to; empty where nobody said. */
    suits: several(uses),
    /** It is meant to disappear before what it stands on. */
    hides: flag(),
    methods: several(methods),
    qualities: several(qualities),
    /** What becomes of it, where it is there already; null for a new one. */
    fate: choice(fates).nullable(),
    condition: choice(conditions).nullable(),
    material: choice(materials).nullable(),
    laidYear: count(1000, 2200).nullable(),
    /** What a test for lead or asbestos said. */
    tested: choice(testResults).nullable(),
    /** The maker's own light reflectance value; null where it is reckoned from the colour. */
    lrv: real(0, 100).nullable(),
    /** Only places of it are painted again, from a new tin. */
    touchUp: flag(),
    /** What it is woven as: "herringbone", "bouclé"; the same in two things ties them. */
    weave: line(40).meta({ words: false }),
  }),
  /** A palette colour that a patterned finish carries, by its share of the pattern. */
  patternPart: row(
    'part of a pattern',
    {
      finishId: reference('finish'),
      partId: reference('finish'),
      sharePpm: rate(),
    },
    { once: ['finishId', 'partId'] },
  ),
  /** A colour taken from a picture, kept with it: what part of the picture it is. */
  takenColour: row('colour of a picture', { attachmentId: reference('attachment'), sharePpm: rate(), ...lab }),
  sample: row('sample', {
    finishId: reference('finish'),
    orderedOn: date().nullable(),
    cameOn: date().nullable(),
    verdict: choice(verdicts),
    judgedBy: line(60),
  }),
  /** A sample looked at: put up on which wall, by which light, and what was said by whom. */
  viewing: row('look at a sample', {
    sampleId: reference('sample'),
    wallId: reference('wall').nullable(),
    light: choice(lights),
    seenOn: date().nullable(),
    verdict: choice(verdicts),
    judgedBy: line(60),
    note: line(300),
  }),
}

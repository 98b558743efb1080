import { headOf, type Makeover, type Studio } from '#core/makeover/document.ts'
import { practiceOf } from '#core/makeover/practice.ts'
import { areasOf, letterOf, roomsOf, type Drawing, type PaperSize } from '#core/survey/index.ts'
import {
  atOf,
  chosenOf,
  cutsDrawing,
  facesOf,
  finishOf,
  layoutDrawing,
  planOrigin,
  productOf,
  takeOff,
  tried,
} from '#core/surfaces/index.ts'
import { notFound } from '../problem.ts'
import { drawingsPdf } from './drawings-pdf.ts'
import { bytesOf } from './paper.ts'

export type AskedTreatment = { readonly makeover: Makeover; readonly studio: Studio; readonly treatmentId: string }

/** What can be drawn of a treatment: each face it lies on, and how its rolls or lengths are cut. Throws where there is none. */
export function drawnTreatment({ makeover, studio, treatmentId }: AskedTreatment) {
  const { rules } = practiceOf({ makeover, studio })
  const treatment = makeover.rows.treatment[treatmentId]
  const finish = treatment && finishOf(makeover, treatment)
  const room = roomsOf(makeover, rules).find(({ id }) => id === finish?.roomId)
  const areas = room && areasOf(makeover, room, rules)
  if (!treatment || !finish || !room || !areas) throw notFound()
  const taken = takeOff(
    atOf(makeover, { room, areas }, rules),
    finish,
    treatment,
    productOf(makeover, chosenOf(makeover, treatment)),
  )
  const units = headOf(makeover)?.units ?? 'metric'
  const shapes = taken.reckoned?.ok ? taken.reckoned.shapes : []
  const bars = taken.reckoned?.ok ? taken.reckoned.bars : []
  const origin = planOrigin(room)
  const faces = facesOf(tried(makeover, treatment.id).makeover, room, rules).flatMap((face, at) => {
    const here = shapes
      .filter(({ on }) => on === face.id)
      .map((shape) =>
        face.id === 'floor'
          ? { ...shape, outline: shape.outline.map(({ x, y }) => ({ x: x - origin.x, y: y - origin.y })) }
          : shape,
      )
    if (here.length === 0) return []
    const letter = face.id === 'floor' ? 'floor' : letterOf(at)
    return [
      {
        letter,
        name: `${finish.name}, ${face.name}`,
        draw: (text: number): Drawing => layoutDrawing(face, here, units, text),
      },
    ]
  })
  const cuts =
    bars.length === 0
      ? []
      : [
          {
            letter: 'cuts',
            name: `${finish.name}, how it is cut`,
            draw: (text: number): Drawing => cutsDrawing(bars, units, text),
          },
        ]
  return {
    title: headOf(makeover)?.name ?? '',
    name: `${finish.name} ${treatment.how}`,
    units,
    sheets: [...faces, ...cuts],
  }
}

/** A treatment on paper, to scale, one page a face, and its cutting list. */
export function surfacesPaper({
  paper,
  foot,
  ...asked
}: AskedTreatment & { readonly paper: PaperSize; readonly foot: string }): Promise<Buffer> {
  const { title, units, sheets } = drawnTreatment(asked)
  const { pdf } = drawingsPdf({ units, paper, title, foot, sheets })
  return bytesOf(pdf)
}

/** A drawing as DXF (release 2007 and later), in millimetres of the room, on layers named as in the drawing. */
import {
  DxfWriter,
  LWPolylineFlags,
  point2d,
  point3d,
  TextHorizontalAlignment,
  TextVerticalAlignment,
  Units,
} from '@tarikjabiri/dxf'
import { plainLine } from '#core/formats/clean.ts'
import { layers, type Drawing } from '#core/survey/index.ts'

const black = 7
const dashed: ReadonlySet<string> = new Set(['checks', 'zones', 'ceiling', 'opened'])
export function dxfOf(drawing: Drawing): string {
  const dxf = new DxfWriter()
  dxf.setUnits(Units.Millimeters)
  dxf.addLType('DASHED', '_ _ _', [60, -40])
  for (const layer of layers) dxf.addLayer(layer, black, dashed.has(layer) ? 'DASHED' : 'Continuous')
  for (const mark of drawing.marks) {
    const at = { layerName: mark.layer }
    if (mark.is === 'line')
      dxf.addLWPolyline(
        mark.points.map(({ x, y }) => ({ point: point2d(x, y) })),
        { ...at, flags: mark.closed ? LWPolylineFlags.Closed : LWPolylineFlags.None },
      )
    else if (mark.is === 'text')
      dxf.addText(point3d(mark.at.x, mark.at.y), mark.size, plainLine(mark.text).replaceAll('\u00a0', ' '), {
        ...at,
        rotation: mark.turn,
        horizontalAlignment: TextHorizontalAlignment.Center,
        verticalAlignment: TextVerticalAlignment.Middle,
        secondAlignmentPoint: point3d(mark.at.x, mark.at.y),
      })
    else if (mark.to - mark.from >= 360) dxf.addCircle(point3d(mark.centre.x, mark.centre.y), mark.radius, at)
    else dxf.addArc(point3d(mark.centre.x, mark.centre.y), mark.radius, mark.from, mark.to, at)
  }
  return dxf.stringify()
}

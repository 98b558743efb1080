import { v7 as uuidv7 } from 'uuid'
import { ref } from 'vue'
import { blank } from '#core/makeover/blank.ts'
import { add, edit, type Operation } from '#core/makeover/change.ts'
import { corners as cornerKinds } from '#core/makeover/choices.ts'
import { readNumber } from '#core/measure/decimal.ts'
import { writeLength } from '#core/measure/length.ts'
import { letterOf, type Room } from '#core/survey/index.ts'
import { useEntry } from '../stores/entry.ts'
import { habits } from '../stores/habits.ts'
import { useMakeover } from '../stores/makeover.ts'
import { readWallEntry, readWallLength, type WallEntry } from './entry-line.ts'
import { cornerWords } from './forms.ts'

/** What is typed on the walk round a room: how it is read, and how it is kept. `at` counts the walls from 0. */
export function useWalk(room: () => Room) {
  const makeover = useMakeover()
  const entry = useEntry()
  const problem = ref('')
  const read = (text: string) => readWallEntry(text, entry.value.unit)
  const readCheck = (text: string) => readWallLength(text, entry.value.unit)
  const echoOf = (text: string): string => {
    const found = read(text)
    return found.ok
      ? `${writeLength(found.value.lengthMm, entry.value.units)}${found.value.corner ? `, ${cornerWord(found.value.corner)}` : ''}`
      : ''
  }
  const cornerWord = ({ corner, cornerDeg }: { corner: string; cornerDeg: number | null }): string =>
    corner === 'angle'
      ? `${cornerDeg ?? '?'}°`
      : (cornerWords.find((cornerWord) => cornerWord.value === corner)?.label ?? corner)
  const row = (id: string) => makeover.opened?.makeover.rows.wall[id]
  async function put(sentence: string, operations: readonly Operation[]): Promise<boolean> {
    const faults = await makeover.change(sentence, operations)
    problem.value = faults.map((fault) => fault.message).join('; ')
    return faults.length === 0
  }
  async function saveLength(id: string, at: number, text: string): Promise<boolean> {
    const [found, wall] = [read(text), row(id)]
    if (!found.ok || !wall) return false
    return put(`Wall ${letterOf(at)} is ${writeLength(found.value.lengthMm, entry.value.units)}`, [
      edit('wall', wall, { lengthMm: found.value.lengthMm, ...found.value.corner }),
    ])
  }
  async function saveCorner(id: string, at: number, corner: string): Promise<void> {
    const [wall, kind] = [row(id), cornerKinds.find((cornerKind) => cornerKind === corner)]
    if (!wall || !kind) return
    await put(
      `The corner at the end of wall ${letterOf(at)} is ${cornerWords.find((cornerWord) => cornerWord.value === kind)?.label ?? ''}`,
      [edit('wall', wall, { corner: kind, cornerDeg: kind === 'angle' ? (wall.cornerDeg ?? 135) : null })],
    )
  }
  async function saveAngle(id: string, at: number, text: string): Promise<void> {
    const [wall, found] = [
      row(id),
      readNumber(text.replace('°', ''), { decimals: 2, least: 1, most: 359 }, habits.value.decimal),
    ]
    problem.value = found.ok ? '' : `Corner ${at + 2}: ${found.error}`
    if (wall && found.ok && found.value !== wall.cornerDeg)
      await put(`The corner at the end of wall ${letterOf(at)} has ${found.value}°`, [
        edit('wall', wall, { cornerDeg: found.value }),
      ])
  }
  const diagonalRow = (id: string) => makeover.opened?.makeover.rows.diagonal[id]
  async function saveCheck(id: string, name: string, text: string): Promise<boolean> {
    const [found, check] = [readCheck(text), diagonalRow(id)]
    if (!found.ok || !check) return false
    return put(`${name} is ${writeLength(found.value, entry.value.units)}`, [
      edit('diagonal', check, { lengthMm: found.value }),
    ])
  }

  /** The wall that follows the last; the first of a room brings its survey with it. */
  async function addLast(typed: WallEntry): Promise<boolean> {
    const { id: roomId, survey, walls } = room()
    const begun: Operation[] = survey ? [] : [add('survey', uuidv7(), { ...blank.survey, roomId })]
    return put(`Wall ${letterOf(walls.length)} is ${writeLength(typed.lengthMm, entry.value.units)}`, [
      ...begun,
      add('wall', uuidv7(), {
        ...blank.wall,
        roomId,
        place: (walls.at(-1)?.row.place ?? 0) + 1,
        lengthMm: typed.lengthMm,
        ...typed.corner,
      }),
    ])
  }
  return { problem, read, readCheck, echoOf, row, diagonalRow, saveLength, saveCorner, saveAngle, saveCheck, addLast }
}

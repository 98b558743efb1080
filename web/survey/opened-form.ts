import type { Wall } from '#core/survey/index.ts'
import { clearWidthForm, diagonalForm, squareTestForm } from './check-forms.ts'
import { roomForm, slopeForm, surveyForm, wallForm, zoneForm, type Setting } from './forms.ts'
import { fixtureForm, openingForm } from './thing-forms.ts'

/** Which form of the survey is open: for which sort of thing, and for which one where it is there already. */
export type OpenedForm = {
  readonly what:
    'wall' | 'opening' | 'fixture' | 'slope' | 'diagonal' | 'squareTest' | 'clearWidth' | 'zone' | 'survey' | 'room'
  readonly id: string | null
}

/** The form itself; what is new hangs on the wall in hand. */
export function formOf(setting: Setting, typed: OpenedForm, wallId: string | null, walls: readonly Wall[]) {
  switch (typed.what) {
    case 'wall':
      return wallForm(
        setting,
        Math.max(
          0,
          walls.findIndex((wall) => wall.row.id === typed.id),
        ),
      )
    case 'opening':
      return openingForm(setting, wallId)
    case 'fixture':
      return fixtureForm(setting, wallId)
    case 'slope':
      return slopeForm(setting)
    case 'diagonal':
      return diagonalForm(setting)
    case 'squareTest':
      return squareTestForm(setting)
    case 'clearWidth':
      return clearWidthForm(setting, wallId)
    case 'zone':
      return zoneForm(setting)
    case 'survey':
      return surveyForm(setting)
    case 'room':
      return roomForm()
  }
}

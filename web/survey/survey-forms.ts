import { computed, ref, watch, type Ref } from 'vue'
import type { Row } from '#core/makeover/kinds.ts'
import type { Room } from '#core/survey/index.ts'
import { useEntry } from '../stores/entry.ts'
import { useMakeover } from '../stores/makeover.ts'
import { formOf, type OpenedForm } from './opened-form.ts'

/** The forms of the survey, one open at a time. What is new hangs on the wall in hand; a new room is turned to. */
export function useSurveyForms(
  room: Readonly<Ref<Room | undefined>>,
  wallId: Readonly<Ref<string | null>>,
  toRoom: (id: string) => void,
) {
  const makeover = useMakeover()
  const entry = useEntry()
  const opened = ref<OpenedForm | null>(null)
  const setting = computed(() =>
    makeover.opened && room.value
      ? { makeover: makeover.opened.makeover, entry: entry.value, roomId: room.value.id }
      : null,
  )
  const form = computed(() =>
    setting.value && opened.value ? formOf(setting.value, opened.value, wallId.value, room.value?.walls ?? []) : null,
  )
  const formRow = computed(() =>
    opened.value?.id ? (makeover.opened?.makeover.rows[opened.value.what][opened.value.id] ?? null) : null,
  )
  const formOpen = computed({
    get: () => opened.value !== null && form.value !== null,
    set: (isOpen) => !isOpen && (opened.value = null),
  })
  const openForm = (what: OpenedForm['what'], id: string | null = null): void => void (opened.value = { what, id })
  let lastWhat = ''
  function made(id: string): void {
    if (lastWhat === 'room') toRoom(id)
  }
  watch(opened, (form) => form && (lastWhat = form.what))
  const shaping = ref<Row<'wall'> | null>(null)
  const shapeOpen = ref(false)
  function shape(id: string): void {
    shaping.value = makeover.opened?.makeover.rows.wall[id] ?? null
    shapeOpen.value = shaping.value !== null
  }
  const finishOpen = ref(false)
  const finish = ref<Row<'finish'> | null>(null)
  function openFinish(row: Row<'finish'> | null): void {
    finish.value = row
    finishOpen.value = true
  }

  return { opened, form, formRow, formOpen, openForm, made, shaping, shapeOpen, shape, finish, finishOpen, openFinish }
}

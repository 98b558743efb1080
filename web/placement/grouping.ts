import { v7 as uuidv7 } from 'uuid'
import { computed, ref, watch } from 'vue'
import { blank } from '#core/makeover/blank.ts'
import { add, edit } from '#core/makeover/change.ts'
import { fittingOver, grouped, placeGroup, type GroupWay, type Hangable, type Hung } from '#core/placement/index.ts'
import type { OnTheWall } from './on-the-wall.ts'

type Entry = {
  readonly id: string
  readonly name: string
  readonly thing: Hangable
  readonly hung: Hung | null
  readonly number: number
}

const usualNames: Readonly<Record<GroupWay, string>> = {
  row: 'The row',
  stack: 'The stack',
  grid: 'The grid',
  mirrored: 'The mirrored set',
  'low-high-low': 'The rising set',
  salon: 'The salon group',
}
/** Several works hung as one: which, how, about what, and how it would look. */
export function useGrouping(onWall: OnTheWall) {
  const { rules, scene, wall, waiting, hungHere } = onWall
  const entries = computed((): Entry[] => [
    ...hungHere.value.map((hung) => ({
      id: hung.id,
      name: hung.name,
      thing: hung.thing,
      hung,
      number: hung.row.number,
    })),
    ...waiting.value.map(({ thing, number }) => ({
      id: `${thing.piece.id} ${number}`,
      name: thing.piece.quantity > 1 ? `${thing.piece.name} ${number}` : thing.piece.name,
      thing,
      hung: null,
      number,
    })),
  ])
  const chosen = ref<ReadonlySet<string>>(new Set())
  watch(wall, () => (chosen.value = new Set()))
  const way = ref<GroupWay>('row')
  const gapMm = ref((rules.value['hang.group-least'] + rules.value['hang.group-most']) / 2)
  const stepMm = ref(0)
  const name = ref('')
  /** About the middle of what: a thing that stands before the wall, or the wall itself. */
  const aboutId = ref('')
  const members = computed(() => entries.value.filter(({ id }) => chosen.value.has(id)))
  const about = computed(() => scene.value?.before.find(({ id }) => id === aboutId.value) ?? null)
  const known = computed(() => (name.value.trim() === '' ? usualNames[way.value] : name.value.trim()))

  const tried = computed(() =>
    members.value.length > 1
      ? grouped(
          members.value.map(({ id, thing: { widthMm, heightMm } }) => ({ id, widthMm, heightMm })),
          { way: way.value, gapMm: gapMm.value, stepMm: stepMm.value, columns: null },
        )
      : null,
  )
  /** Where each would hang: the whole as near its middle as it goes with least wrong, as high as it belongs. */
  const places = computed(() => {
    if (!tried.value || !scene.value || !wall.value) return []
    const { places: found } = tried.value
    const wanted = about.value ? (about.value.left + about.value.right) / 2 : wall.value.lengthMm / 2
    const inGroup = found.flatMap(({ id, x, y }) => {
      const thing = members.value.find((member) => member.id === id)?.thing
      return thing ? [{ id, thing, x, y }] : []
    })
    const rest = { ...scene.value, works: scene.value.works.filter(({ id }) => !chosen.value.has(id)) }
    const { along, centre } = placeGroup(rest, inGroup, wall.value, wanted, rules.value)
    return found.map(({ id, x, y }) => ({ id, along: along + x, centre: centre + y }))
  })
  const outlines = computed(() =>
    places.value.flatMap(({ id, along, centre }) => {
      const size = entries.value.find((entry) => entry.id === id)?.thing
      return size
        ? [
            {
              left: along - size.widthMm / 2,
              right: along + size.widthMm / 2,
              low: centre - size.heightMm / 2,
              top: centre + size.heightMm / 2,
            },
          ]
        : []
    }),
  )
  const odd = computed(() => entries.value.filter(({ id }) => tried.value?.odd.includes(id)).map((entry) => entry.name))
  function toggle(id: string): void {
    const next = new Set(chosen.value)
    if (!next.delete(id)) next.add(id)
    chosen.value = next
  }
  /** Of all that is at hand, what fits over the thing it is about. */
  function fit(): void {
    if (!about.value) return
    const found = fittingOver(
      entries.value.map(({ id, thing: { widthMm, heightMm } }) => ({ id, widthMm, heightMm })),
      about.value.right - about.value.left,
      {
        leastShare: rules.value['hang.wide-least'] / 100,
        mostShare: rules.value['hang.wide-most'] / 100,
        gapMm: gapMm.value,
      },
    )
    chosen.value = new Set(found.map(({ id }) => id))
    way.value = 'row'
    isNone.value = found.length === 0
  }
  const isNone = ref(false)
  watch([aboutId, chosen], () => (isNone.value = false))

  async function hang(): Promise<void> {
    if (!wall.value) return
    const groupName = known.value.slice(0, 60)
    const wallId = wall.value.row.id
    const operations = places.value.flatMap(({ id, along, centre }) => {
      const entry = entries.value.find((found) => found.id === id)
      if (!entry) return []
      const at = { ...onWall.asRow({ along, centre }), groupName }
      return entry.hung
        ? [edit('hanging', entry.hung.row, at)]
        : [
            add('hanging', uuidv7(), {
              ...blank.hanging,
              pieceId: entry.thing.piece.id,
              number: entry.number,
              wallId,
              ...at,
            }),
          ]
    })
    await onWall.tell(`Hung ${operations.length} as one: ${groupName}`, operations)
    if (onWall.problem.value === '') chosen.value = new Set()
  }
  /** Each hangs for itself again, where it is. */
  const part = (group: readonly Hung[]): Promise<void> =>
    onWall.tell(
      `${group[0]?.row.groupName ?? 'The group'} hangs one by one`,
      group.map(({ row }) => edit('hanging', row, { groupName: '' })),
    )
  return {
    entries,
    chosen,
    way,
    gapMm,
    stepMm,
    name,
    known,
    aboutId,
    about,
    tried,
    outlines,
    odd,
    isNone,
    toggle,
    fit,
    hang,
    part,
  }
}
export type Grouping = ReturnType<typeof useGrouping>

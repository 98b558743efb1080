import { v7 as uuidv7 } from 'uuid'
import { computed, ref } from 'vue'
import { deliveriesOf, floorOf, waitingPlaces, type Delivery } from '#core/calendar/index.ts'
import { blank } from '#core/makeover/blank.ts'
import { add, edit } from '#core/makeover/change.ts'
import type { ArrivalState } from '#core/makeover/work-choices.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { NoAnswer, Refused, request } from '../api.ts'
import { useMakeover } from '../stores/makeover.ts'

type Said = {
  readonly state: ArrivalState
  readonly comesOn: PlainDate
  readonly packs: number
  readonly earliestMinute: number
  readonly latestMinute: number
  readonly words: string
}
/** How the stand-in for a carrier may answer. */
export const behaviours = ['confirms', 'delays', 'sends short', 'says nothing'] as const
export type Behaviour = (typeof behaviours)[number]

/** What comes, where it waits, and what the stand-in for a carrier or a seller says of it when asked. */
export function useDeliveries() {
  const makeover = useMakeover()
  const all = computed((): readonly Delivery[] => {
    const { opened, reckoning } = makeover
    if (!opened || !reckoning) return []
    const nameOf = (sellerId: string): string => opened.studio.rows.seller[sellerId]?.name ?? ''
    return deliveriesOf(opened.makeover, reckoning.money.purchases, reckoning.schedule, nameOf, opened.today)
  })
  const places = computed(() => {
    const { opened, reckoning } = makeover
    if (!opened || !reckoning) return []
    const floor = (roomId: string): number => floorOf(reckoning.survey, roomId)
    return waitingPlaces(opened.makeover, all.value, floor, reckoning.practice.rules)
  })
  const said = ref('')
  const problem = ref('')
  async function ask(delivery: Delivery, behaves: Behaviour): Promise<void> {
    const today = makeover.opened?.today
    if (!today) return
    problem.value = ''
    said.value = ''
    try {
      const { answer } = await request<{ simulated: true; answer: Said | null }>('POST', '/standins/carrier', {
        comesOn: delivery.comesOn ?? today,
        packs: delivery.packs,
        behaves,
        seed: delivery.purchaseId.charCodeAt(35) * 100 + (delivery.row ? 1 : 0),
      })
      if (answer === null) {
        said.value = `${delivery.name}: nobody answers (simulated).`
        return
      }
      const { words, ...told } = answer
      const fields = { ...told, answer: words, saidOn: today, isSimulated: true }
      const faults = await makeover.change(`${delivery.name}: the stand-in for its carrier said: ${words}`, [
        delivery.row
          ? edit('arrival', delivery.row, fields)
          : add('arrival', uuidv7(), { ...blank.arrival, purchaseId: delivery.purchaseId, ...fields }),
      ])
      said.value = faults.length === 0 ? `${delivery.name}: ${words} (simulated)` : ''
      problem.value = faults.map(({ message }) => message).join('; ')
    } catch (error) {
      if (error instanceof Refused) problem.value = error.problem.detail
      else if (error instanceof NoAnswer) problem.value = 'No answer from the server: nothing was asked.'
      else throw error
    }
  }
  return { all, places, ask, said, problem }
}

import { byId } from '#core/makeover/by-id.ts'
import { watchDebounced } from '@vueuse/core'
import { v7 as uuidv7 } from 'uuid'
import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { blank, termsOf } from '#core/makeover/blank.ts'
import { add, type Operation } from '#core/makeover/change.ts'
import { buyers, taxRoundings, tenders } from '#core/makeover/choices.ts'
import type { Row } from '#core/makeover/kinds.ts'
import type { PlainDate } from '#core/measure/plain-date.ts'
import { sum, zero, type Minor } from '#core/money/minor.ts'
import { writeMoney } from '#core/money/written.ts'
import { workingLine, type Working } from '#core/money/working.ts'
import { isOpenTerm } from '#core/pieces/index.ts'
import { couponShares, landedWorking, landOrder } from '#core/purchases/index.ts'
import type { Preview } from '#core/reckoning/preview.ts'
import {
  choiceField,
  dateField,
  maybeChoiceField,
  maybeDateField,
  moneyField,
  readFields,
  valuesOf,
  textField,
  useForm,
  yesField,
} from '../parts/form.ts'
import { goToMade, toMade } from '../parts/made.ts'
import { useMakeover } from '../stores/makeover.ts'
import { useRows } from '../stores/rows.ts'
import { bounded } from '../parts/bounded.ts'
import { draftOfLines } from '../parts/draft.ts'
import { linesFor, type Line } from './order-form-lines.ts'

/** The form of an order to one seller: its lines, what they land at, what the order would do to the budget. */
export function useOrderForm(first: () => Row<'piece'>, open: Ref<boolean>) {
  const route = useRoute()
  const router = useRouter()
  const makeover = useMakeover()
  const candidates = useRows('candidate')
  const pieces = useRows('piece')
  const coupons = useRows('coupon')
  const candidateOf = (piece: Row<'piece'>): Row<'candidate'> | null => byId(candidates.value, piece.chosenId) ?? null
  const stillOpen = (piece: Row<'piece'>): number => byId(makeover.reckoning?.money.pieces, piece.id)?.open ?? 0
  const sellerId = computed(() => candidateOf(first())?.sellerId ?? null)
  const seller = computed(() => (sellerId.value ? makeover.opened?.studio.rows.seller[sellerId.value] : undefined))
  const others = computed(() =>
    pieces.value.filter(
      (piece) =>
        piece.id !== first().id &&
        sellerId.value !== null &&
        stillOpen(piece) > 0 &&
        candidateOf(piece)?.sellerId === sellerId.value,
    ),
  )
  const ownCoupons = computed(() => coupons.value.filter((row) => row.sellerId === sellerId.value))

  const lines = ref<Line[]>([])
  const { form, reset, submit } = useForm(
    () =>
      bounded('order', {
        orderedOn: dateField(makeover.opened?.today ?? null),
        onTheSpot: yesField(false),
        tender: choiceField(tenders, 'card'),
        reference: textField(''),
        boughtBy: choiceField(buyers, 'client'),
        depositMinor: moneyField(makeover.currency, zero),
        balanceDueOn: maybeDateField(null),
        couponId: maybeChoiceField(
          ownCoupons.value.map((row) => row.id),
          null,
        ),
        taxRounding: choiceField(taxRoundings, seller.value?.taxRounding ?? 'line'),
      }),
    draftOfLines(
      lines,
      ({ piece, size }) => `${piece.id} ${size}`,
      ({ fields }) => fields,
      (key) => {
        const [id = '', size = '0'] = key.split(' ')
        const piece = byId(pieces.value, id)
        return piece ? (linesOf(piece)[Number(size)] ?? null) : null
      },
    ),
  )
  const orderId = ref(uuidv7())
  const difference = shallowRef<Preview | null>(null)

  function linesOf(piece: Row<'piece'>): Line[] {
    const candidate = candidateOf(piece)
    const sets = byId(makeover.reckoning?.money.pieces, piece.id)?.sets ?? []
    return candidate ? linesFor(piece, candidate, sets, stillOpen(piece), makeover.currency) : []
  }
  function begin(): void {
    orderId.value = uuidv7()
    lines.value = linesOf(first())
    reset()
  }
  watch(open, (isOpen) => isOpen && begin(), { immediate: true })
  const has = (piece: Row<'piece'>): boolean => lines.value.some((line) => line.piece.id === piece.id)
  function toggle(piece: Row<'piece'>): void {
    const fresh = has(piece) ? [] : linesOf(piece)
    if (fresh.length > 0) lines.value.push(...fresh)
    else lines.value = lines.value.filter((line) => line.piece.id !== piece.id)
  }

  /** The order as typed so far; null while a part cannot be read. */
  const typed = computed(() => {
    const read = lines.value.map((line) => ({ line, values: valuesOf(line.fields) }))
    const on = form.fields.orderedOn.read(form.fields.orderedOn.text)
    const deposit = form.fields.depositMinor.read(form.fields.depositMinor.text || '0')
    const balance = form.fields.balanceDueOn.read(form.fields.balanceDueOn.text)
    if (!on.ok || !deposit.ok || !balance.ok || read.length === 0) return null
    const plain = read.flatMap(({ line, values }) =>
      values
        ? [
            {
              id: line.id,
              fields: {
                ...termsOf(line.candidate),
                ...values,
                orderId: orderId.value,
                pieceId: line.piece.id,
                candidateId: line.candidate.id,
              },
              line,
            },
          ]
        : [],
    )
    if (plain.length < read.length) return null
    const coupon = byId(ownCoupons.value, form.fields.couponId.text)
    const bought = plain.map((entry) => entry.fields)
    const shares = coupon ? couponShares(coupon, bought) : []
    const purchases = plain.map(({ id, fields, line }, at) => ({
      id,
      line,
      fields: { ...fields, couponMinor: shares[at] ?? zero },
    }))
    const rounding = form.fields.taxRounding.text === 'total' ? 'total' : 'line'
    const landed = landOrder(
      purchases.map((purchase) => purchase.fields),
      rounding,
    )
    const order = {
      ...blank.order,
      sellerId: sellerId.value,
      orderedOn: on.value,
      reference: form.fields.reference.text.trim(),
      boughtBy: form.fields.boughtBy.text === 'studio' ? ('studio' as const) : ('client' as const),
      depositMinor: deposit.value,
      balanceDueOn: balance.value,
      taxRounding: rounding,
      couponId: coupon?.id ?? null,
    } as const
    const operations: Operation[] = [
      add('order', orderId.value, order),
      ...purchases.map(({ id, fields }) => add('purchase', id, fields)),
      ...(form.fields.onTheSpot.text === 'yes'
        ? onTheSpot(
            orderId.value,
            on.value,
            purchases.map(({ id, fields }) => ({ id, packs: fields.packs })),
            sum(landed.map((line) => line.landed)),
            tenders.find((tender) => tender === form.fields.tender.text) ?? 'card',
          )
        : []),
    ]
    const [only] = purchases
    const working: Working =
      purchases.length === 1 && only && landed[0]
        ? landedWorking(only.fields, landed[0], makeover.currency)
        : {
            title: 'Landed',
            means: '',
            lines: purchases.map(({ line }, at) =>
              workingLine(
                line.piece.name,
                landed[at]?.landed ?? zero,
                `with tax of ${writeMoney(landed[at]?.tax ?? zero, makeover.currency)}`,
              ),
            ),
            result: workingLine('Landed', sum(landed.map((landed) => landed.landed))),
          }
    return { operations, working }
  })
  watchDebounced(
    [typed, open, () => makeover.reckoning],
    async () => {
      const order = typed.value
      if (open.value && order) difference.value = await makeover.preview(order.operations)
    },
    { debounce: 120, immediate: true },
  )
  const breaks = computed(() => difference.value?.faults.find((fault) => fault.code === 'over-agreed') ?? null)
  const faults = computed(() =>
    (difference.value?.faults ?? []).filter(
      (fault) => fault.code !== 'over-agreed' && (fault.field === null || fault.field === 'couponId'),
    ),
  )
  const raise = computed(() => {
    const over = difference.value?.after.money.total.over
    const { categoryId } = first()
    return breaks.value && over && categoryId ? { categoryId, by: over } : null
  })
  /** What cannot go back, once for all its sizes; what nobody asked about yet is said below. */
  const finals = computed(() =>
    lines.value.filter(
      ({ size, candidate }) => size === 0 && candidate.returnDays === null && !isOpenTerm(candidate, 'returns'),
    ),
  )

  async function save(): Promise<void> {
    const good = lines.value.map((line) => readFields(line.fields)).every((values) => values !== null)
    const done = await submit(() => {
      if (!good || !typed.value)
        return Promise.resolve([{ field: null, message: 'A line of the order is not right yet: see above.' }])
      const names = lines.value.map((line) => line.piece.name).join(', ')
      return makeover.change(
        `${form.fields.onTheSpot.text === 'yes' ? 'Bought' : 'Ordered'} ${names}${seller.value ? ` from ${seller.value.name}` : ''}`.slice(
          0,
          490,
        ),
        typed.value.operations,
      )
    })
    if (!done) return
    goToMade(lines.value[0]?.id ?? '')
    open.value = false
    if (route.name !== 'purchases')
      await router.push({ name: 'purchases', params: { id: route.params.id }, query: { open: lines.value[0]?.id } })
    toMade()
  }

  return {
    form,
    seller,
    others,
    ownCoupons,
    lines,
    difference,
    has,
    toggle,
    typed,
    breaks,
    faults,
    raise,
    finals,
    stillOpen,
    save,
  }
}

/** What was paid over the counter and carried out: paid in full, and all of it here. */
const onTheSpot = (
  orderId: string,
  on: PlainDate,
  purchases: readonly { readonly id: string; readonly packs: number }[],
  total: Minor,
  tender: (typeof tenders)[number],
): Operation[] => [
  ...(total > 0
    ? [
        add('payment', uuidv7(), {
          ...blank.payment,
          orderId,
          direction: 'out',
          amountMinor: total,
          paidOn: on,
          tender,
        }),
      ]
    : []),
  ...purchases.map(({ id, packs }) =>
    add('delivery', uuidv7(), { ...blank.delivery, purchaseId: id, packs, receivedOn: on }),
  ),
]

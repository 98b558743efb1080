import { mount } from '@vue/test-utils'
import { createPinia } from 'pinia'
import { describe, expect, it } from 'vitest'
import { minor } from '#core/money/minor.ts'
import type { GoodsState } from '#core/purchases/index.ts'
import ReckoningBar from '../frame/ReckoningBar.vue'
import ReckoningLine from '../frame/ReckoningLine.vue'
import MoneyAmount from './MoneyAmount.vue'
import StateDots from './StateDots.vue'
import WorkingSlip from './WorkingSlip.vue'

const line = {
  currency: 'EUR',
  paid: minor(400_00),
  committed: minor(1_036_40),
  stillToBuy: minor(431_52),
  refundsDue: minor(0),
  left: minor(3_532_08),
  agreed: minor(6_000_00),
  contingency: minor(600_00),
  over: minor(0),
  creditHeld: minor(0),
  signed: true,
  installOn: null,
  slackDays: null,
  needs: 0,
  needsCovered: 0,
  remarks: { stop: 0, look: 0, note: 0 },
}
const width = (element: Element | undefined): number =>
  Number.parseFloat(element?.getAttribute('style')?.match(/width: ([\d.]+)%/)?.[1] ?? 'NaN')

describe('the reckoning bar', () => {
  it('is as long as the agreed sum, each part in proportion', () => {
    const bar = mount(ReckoningBar, { props: { line } })
    expect(width(bar.find('.paid').element)).toBeCloseTo((100 * 400) / 6000, 6)
    expect(width(bar.find('.committed').element)).toBeCloseTo((100 * 1036.4) / 6000, 6)
    expect(width(bar.find('.contingency').element)).toBeCloseTo(10, 6)
    expect(width(bar.find('.edge').element)).toBeCloseTo(100, 6)
  })
  it('runs past the end mark when more is forecast than was agreed', () => {
    const bar = mount(ReckoningBar, { props: { line: { ...line, stillToBuy: minor(10_563_60) } } }) // 12 000 in all
    expect(width(bar.find('.edge').element)).toBeCloseTo(50, 6)
    expect(width(bar.find('.to-buy').element)).toBeCloseTo((100 * 10_563.6) / 12_000, 6)
  })
  it('draws nothing that is nothing, and says by its outline that nothing is signed', () => {
    const none = mount(ReckoningBar, {
      props: {
        line: {
          ...line,
          paid: minor(0),
          committed: minor(0),
          stillToBuy: minor(0),
          agreed: minor(0),
          contingency: minor(0),
          signed: false,
        },
      },
    })
    expect(none.findAll('.fill > *')).toHaveLength(0)
    expect(none.find('.edge').classes()).toContain('unsigned')
  })
})

describe('the reckoning line', () => {
  const show = (fields: Partial<typeof line> = {}) =>
    mount(ReckoningLine, { props: { line: { ...line, ...fields } }, global: { plugins: [createPinia()] } })
  it('names each figure with its amount', () => {
    expect(
      show()
        .findAll('button')
        .map((button) => button.text().replaceAll('\u00a0', ' ')),
    ).toEqual(['Paid400.00', 'Committed1 036.40', 'Still to buy431.52', 'Left3 532.08', 'AgreedEUR 6 000.00'])
  })
  it('says that nothing is signed yet, rather than that all is over', () => {
    const text = show({ signed: false, agreed: minor(0), left: minor(-1_867_92) }).text()
    expect(text).toContain('not signed yet')
    expect(text).not.toMatch(/Over|Left/)
  })
  it('shows refunds only where some are due, and inverts what is over', () => {
    expect(show({ refundsDue: minor(5_00) }).text()).toContain('Refunds due')
    const over = show({ left: minor(-150_00) })
    expect(over.find('.inverted').text()).toContain('150.00')
    expect(over.text()).toContain('Over the categories')
  })
})

describe('small parts', () => {
  it('money is written whole, with its decimals apart', () => {
    const amount = mount(MoneyAmount, { props: { amount: minor(-1_234_56), currency: 'EUR', withCurrency: true } })
    expect(amount.text().replaceAll('\u00a0', ' ')).toBe('EUR −1 234.56')
    expect(amount.find('.decimals').text()).toBe('.56')
    expect(
      mount(MoneyAmount, { props: { amount: minor(500), currency: 'JPY' } })
        .find('.decimals')
        .text(),
    ).toBe('')
  })
  it.each<[GoodsState, number, number]>([
    ['ordered', 1, 0],
    ['part here', 2, 0],
    ['here', 3, 0],
    ['going back', 3, 1],
    ['returned', 3, 2],
    ['refunded', 3, 3],
  ])('%s is %i dots out and %i back, with its word', (state, out, back) => {
    const dots = mount(StateDots, { props: { state } })
    const filled = dots.findAll('circle').filter((circle) => circle.attributes('fill') === 'currentColor')
    expect(filled.filter((circle) => circle.attributes('cy') === '6')).toHaveLength(out)
    expect(filled.filter((circle) => circle.attributes('cy') === '18')).toHaveLength(back)
    expect(dots.text()).toBe(state)
  })
  it('a working shows its lines and its result, in money or in words', () => {
    const working = {
      title: 'Left',
      means: 'What is free.',
      lines: [
        { label: 'Agreed', how: '', amount: minor(10_00) },
        { label: 'Bench', how: 'expected 3 May', amount: '5 days' },
      ],
      result: { label: 'Left', how: '', amount: minor(10_00) },
    }
    const slip = mount(WorkingSlip, { props: { working, currency: 'EUR' } })
    expect(slip.text().replaceAll('\u00a0', ' ')).toMatch(
      /What is free.*Agreed\s*10.00.*expected 3 May.*5 days.*Left\s*EUR 10.00/s,
    )
  })
})

<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import { arc, scaleLinear } from 'd3'
import { computed } from 'vue'
import { chroma, hue } from '#core/colour/lab.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { labOf, type Palette, type UndertoneGroup } from '#core/palette/index.ts'
import { effectiveRules } from '#core/rulebook/rulebook.ts'
import { useMakeover } from '../stores/makeover.ts'

/**
 * Where the near-neutrals, woods, metals and greens of the room lean, and which pairs part. Direction and distance tell
 * it, and words; no hue is needed to read it.
 */
const { palette, finishes } = defineProps<{ palette: Palette; finishes: readonly Row<'finish'>[] }>()
const emit = defineEmits<{ pair: [left: string, right: string]; take: [id: string] }>()
const makeover = useMakeover()
const rules = computed(() => makeover.reckoning?.practice.rules ?? effectiveRules())
const groupOf = (id: string): UndertoneGroup => byId(palette.finishes, id)?.undertone.group ?? null
const members = (group: UndertoneGroup) => finishes.filter((finish) => groupOf(finish.id) === group)
const turn = Math.PI / 180

/** Near-neutrals: the angle is the undertone, the way out its strength. */
const size = 300
const middle = size / 2
const outer = 104
const far = computed(() => scaleLinear([0, rules.value['colour.near-neutral']], [0, outer]))
const at = (degrees: number, radius: number): { x: number; y: number } => ({
  x: middle + radius * Math.cos(degrees * turn),
  y: middle - radius * Math.sin(degrees * turn),
})
const sectors = computed(() => {
  const limits = [
    rules.value['hue.red-from'] - 360,
    rules.value['hue.orange-from'],
    rules.value['hue.yellow-from'],
    rules.value['hue.green-from'],
    rules.value['hue.blue-from'],
    rules.value['hue.violet-from'],
    rules.value['hue.red-from'],
  ]
  return ['pink', 'orange', 'yellow', 'green', 'blue', 'violet'].map((name, index) => {
    const [start, to] = [limits[index] ?? 0, limits[index + 1] ?? 0]
    return {
      name,
      line: `M${point(at(start, far.value(rules.value['colour.true-neutral'])))}L${point(at(start, outer))}`,
      label: {
        ...at((start + to) / 2, outer + 12),
        anchor:
          Math.abs(at((start + to) / 2, outer).x - middle) < 30
            ? 'middle'
            : at((start + to) / 2, outer).x > middle
              ? 'start'
              : 'end',
      },
    }
  })
})
const point = ({ x, y }: { x: number; y: number }): string => `${x.toFixed(1)} ${y.toFixed(1)}`
const warm = computed(
  () =>
    arc<null>()({
      innerRadius: outer,
      outerRadius: outer + 4,
      startAngle: -Math.PI / 2,
      endAngle: Math.PI / 2,
    } as never) ?? '',
)
type Spot = {
  readonly row: Row<'finish'>
  readonly x: number
  readonly y: number
  label: { x: number; y: number; end: boolean }
}
/** Labels stand beside their marks, moved down where one would lie on another. */
function apart(spots: Spot[], wide: number, gap = 15): Spot[] {
  for (const side of [false, true]) {
    const own = spots.filter((spot) => spot.label.end === side).sort((left, right) => left.y - right.y)
    own.forEach((spot, index) => {
      const before = own[index - 1]
      if (before && spot.label.y < before.label.y + gap && Math.abs(spot.label.x - before.label.x) < wide)
        spot.label.y = before.label.y + gap
    })
  }
  return spots
}
const neutrals = computed(() =>
  apart(
    members('neutrals').map((row) => {
      const { x, y } = at(hue(labOf(row)), Math.min(outer, far.value(chroma(labOf(row)))))
      const end = x > middle + 40
      return { row, x, y, label: { x: x + (end ? -9 : 9), y, end } }
    }),
    140,
  ),
)
const clashIn = (group: UndertoneGroup) => palette.clashes.filter((pair) => groupOf(pair.left) === group)
const spotOf = (spots: readonly { row: Row<'finish'>; x: number; y: number }[], id: string) =>
  spots.find((spot) => spot.row.id === id)
const links = (group: UndertoneGroup, spots: readonly Spot[]) =>
  clashIn(group).flatMap((pair) => {
    const [left, right] = [spotOf(spots, pair.left), spotOf(spots, pair.right)]
    return left && right ? [{ pair, left, right, path: `M${point(left)}L${point(right)}` }] : []
  })

/** Woods, metals and greens: how far each leans to either side of its family's axis, in degrees. */
const fans = computed(() =>
  (
    [
      ['woods', 'Woods', 'redder', 'yellower', rules.value['colour.axis-wood'], rules.value['clash.wood']],
      ['metals', 'Yellow metals', 'pinker', 'greener', rules.value['colour.axis-metal'], rules.value['clash.metal']],
      ['greenery', 'Greens', 'yellower', 'bluer', rules.value['colour.axis-greenery'], rules.value['clash.greenery']],
    ] as const
  ).flatMap(([group, name, below, above, axis, limit]) => {
    const all = members(group)
    const own = all.filter((row) => chroma(labOf(row)) >= rules.value['colour.near-neutral'])
    if (own.length === 0) return []
    const reach = 40
    const across = scaleLinear([-reach, reach], [24, 376]).clamp(true)
    const off = (row: Row<'finish'>): number => ((hue(labOf(row)) - axis + 540) % 360) - 180
    const spots: Spot[] = own
      .map((row) => ({ row, x: across(off(row)), y: 34, label: { x: across(off(row)), y: 34, end: false } }))
      .sort((left, right) => left.x - right.x)
    spots.forEach((spot, index) => (spot.label.y = 52 + 15 * (index % Math.max(1, Math.min(4, spots.length)))))
    return [
      {
        group,
        name,
        below,
        above,
        limit,
        spots,
        zero: across(0),
        grace: [across(-rules.value['colour.axis-grace']), across(rules.value['colour.axis-grace'])],
        tall: 60 + 15 * Math.max(1, Math.min(4, spots.length)),
        links: links(group, spots),
        grey: all.filter((row) => !own.includes(row)),
      },
    ]
  }),
)
const neutralLinks = computed(() => links('neutrals', neutrals.value))
const nameOf = (id: string): string => byId(finishes, id)?.name ?? ''
const title = computed(() =>
  palette.clashes.length === 0
    ? 'No two undertones part'
    : `${palette.clashes.length} ${palette.clashes.length === 1 ? 'pair parts' : 'pairs part'}: ${palette.clashes.map((pair) => `${nameOf(pair.left)} and ${nameOf(pair.right)}`).join('; ')}`,
)
</script>

<template>
  <section class="dial" aria-labelledby="undertones-title">
    <div class="section-head">
      <h2 id="undertones-title">Undertones: {{ title }}</h2>
      <span class="quiet">a heavy line joins two that clash; pick one to lay it out</span>
    </div>
    <div class="dials">
      <figure v-if="neutrals.length > 0">
        <svg
          :viewBox="`0 0 ${size} ${size}`"
          role="group"
          :aria-label="`Whites, greys and beiges: ${neutrals.map((spot) => `${spot.row.name} ${byId(palette.finishes, spot.row.id)?.undertone.words}`).join('; ')}`"
        >
          <circle v-for="ring in [4, 8, 12]" :key="ring" :cx="middle" :cy="middle" :r="far(ring)" class="fine" />
          <circle :cx="middle" :cy="middle" :r="far(rules['colour.true-neutral'])" class="neutral" />
          <path :d="warm" :transform="`translate(${middle} ${middle})`" class="warm" />
          <template v-for="sector in sectors" :key="sector.name">
            <path :d="sector.line" class="fine" />
            <text
              :x="sector.label.x"
              :y="sector.label.y + 4"
              class="sector"
              :style="{ textAnchor: sector.label.anchor as 'start' }"
            >
              {{ sector.name }}
            </text>
          </template>
          <text x="0" y="26" class="side">warm</text>
          <text x="0" :y="size - 20" class="side">cool</text>
          <path
            v-for="link in neutralLinks"
            :key="`${link.pair.left}${link.pair.right}`"
            :d="link.path"
            class="clash"
            tabindex="0"
            role="button"
            :aria-label="`Lay the clash side by side: ${nameOf(link.pair.left)} and ${nameOf(link.pair.right)}`"
            @click="emit('pair', link.pair.left, link.pair.right)"
            @keydown.enter="emit('pair', link.pair.left, link.pair.right)"
          />
          <g
            v-for="spot in neutrals"
            :key="spot.row.id"
            class="spot"
            tabindex="0"
            role="button"
            :aria-label="`Take up ${spot.row.name}`"
            @click="emit('take', spot.row.id)"
            @keydown.enter="emit('take', spot.row.id)"
          >
            <rect :x="spot.x - 4.5" :y="spot.y - 4.5" width="9" height="9" :class="{ open: spot.row.labL > 85 }" />
            <text :x="spot.label.x" :y="spot.label.y + 4" :text-anchor="spot.label.end ? 'end' : 'start'">
              {{ spot.row.name }}
            </text>
          </g>
        </svg>
        <figcaption class="quiet">
          Whites (open marks), greys and beiges: the further out, the stronger the cast; rings at C* 4, 8 and 12.
        </figcaption>
      </figure>
      <div class="fans">
        <figure v-for="fan in fans" :key="fan.group">
          <svg
            :viewBox="`0 0 400 ${fan.tall}`"
            role="group"
            :aria-label="`${fan.name}: ${fan.spots.map((spot) => `${spot.row.name} ${byId(palette.finishes, spot.row.id)?.undertone.lean ?? 'on its axis'}`).join('; ')}`"
          >
            <text x="24" y="14" class="sector start">← {{ fan.below }}</text>
            <text x="200" y="14" class="name">{{ fan.name }}</text>
            <text x="376" y="14" class="sector end">{{ fan.above }} →</text>
            <rect
              :x="fan.grace[0]"
              y="24"
              :width="(fan.grace[1] ?? 0) - (fan.grace[0] ?? 0)"
              height="20"
              class="grace"
            />
            <path d="M24 34H376" class="axis" />
            <path :d="`M${fan.zero} 24V44`" class="axis" />
            <path
              v-for="link in fan.links"
              :key="`${link.pair.left}${link.pair.right}`"
              :d="`M${link.left.x} 34C${link.left.x} 16 ${link.right.x} 16 ${link.right.x} 34`"
              class="clash"
              tabindex="0"
              role="button"
              :aria-label="`Lay the clash side by side: ${nameOf(link.pair.left)} and ${nameOf(link.pair.right)}`"
              @click="emit('pair', link.pair.left, link.pair.right)"
              @keydown.enter="emit('pair', link.pair.left, link.pair.right)"
            />
            <g
              v-for="spot in fan.spots"
              :key="spot.row.id"
              class="spot"
              tabindex="0"
              role="button"
              :aria-label="`Take up ${spot.row.name}`"
              @click="emit('take', spot.row.id)"
              @keydown.enter="emit('take', spot.row.id)"
            >
              <path :d="`M${spot.x} ${spot.y + 5}V${spot.label.y - 6}`" class="fine" />
              <circle :cx="spot.x" :cy="spot.y" r="5" />
              <text :x="spot.label.x" :y="spot.label.y + 6" text-anchor="middle">{{ spot.row.name }}</text>
            </g>
          </svg>
          <figcaption v-if="fan.grey.length > 0" class="quiet">
            Grey, and read by its cast: {{ fan.grey.map((entry) => entry.name).join(', ') }}.
          </figcaption>
        </figure>
        <p v-if="fans.length === 0" class="quiet">No wood, yellow metal or greenery in the palette yet.</p>
      </div>
    </div>
  </section>
</template>

<style src="./undertone-dial.css"></style>

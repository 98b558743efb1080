<script setup lang="ts">
import { byId } from '#core/makeover/by-id.ts'
import type { Row } from '#core/makeover/kinds.ts'
import { writeArea } from '#core/measure/area.ts'
import type { Palette, Variety } from '#core/palette/index.ts'
import { useEntry } from '../stores/entry.ts'

/** Textures, patterns and metals of each room: three kinds of surface or more, sizes that differ, one metal that leads. */
const { palette, finishes, rooms } = defineProps<{
  palette: Palette
  finishes: readonly Row<'finish'>[]
  rooms: readonly Row<'room'>[]
}>()
const entry = useEntry()
const name = (id: string): string => byId(finishes, id)?.name ?? ''
const metals = (room: Variety): string =>
  room.metals
    .map(
      ({ finishId, m2 }, at) =>
        `${name(finishId)}${at === 0 && room.leads && room.metals.length > 1 ? ' leads' : ''}, ${writeArea(m2, entry.value.units)}`,
    )
    .join('; ')
</script>

<template>
  <section class="variety" aria-labelledby="variety-title">
    <div class="section-head"><h2 id="variety-title">Variety</h2></div>
    <dl v-for="room in palette.variety" :key="room.roomId">
      <div v-if="palette.variety.length > 1" class="whose">
        <dt>{{ byId(rooms, room.roomId)?.name }}</dt>
        <dd />
      </div>
      <div>
        <dt>Textures</dt>
        <dd>
          <strong>{{ room.textures.length }}</strong> {{ room.textures.join(', ') }}
        </dd>
      </div>
      <div>
        <dt>Patterns</dt>
        <dd v-if="room.patterns.length === 0" class="quiet">none: all plain</dd>
        <dd v-else>
          {{ room.patterns.map((pattern) => `${name(pattern.finishId)}, ${pattern.scale}`).join('; ')
          }}<template v-if="room.sameScale.length > 0">; <span class="inverted">two of one size</span></template
          ><template v-if="room.sharesNone.length > 0">; <span class="inverted">two share no colour</span></template
          ><template v-else-if="room.patterns.length > 1">; they share a colour</template>
        </dd>
      </div>
      <div>
        <dt>Metals</dt>
        <dd v-if="room.metals.length === 0" class="quiet">none</dd>
        <dd v-else>
          {{ metals(room) }}<template v-if="!room.leads">; <span class="inverted">none leads</span></template>
        </dd>
      </div>
    </dl>
  </section>
</template>

<style>
.variety {
  margin: 26px 14px 0;
}
.variety dl > div {
  display: grid;
  grid-template-columns: 110px 1fr;
  padding: 4px 0;
  border-top: 1px solid var(--hairline);
  font-size: 13px;
  line-height: 18px;
}
.variety dt {
  color: var(--soft);
}
.variety .whose dt {
  color: var(--ink);
  font-weight: 600;
}
@media (max-width: 720px) {
  .variety {
    margin: 22px 4px 0;
  }
}
</style>

<script setup lang="ts" generic="Line extends { readonly id: string }">
import {
  createColumnHelper,
  getCoreRowModel,
  getSortedRowModel,
  useVueTable,
  type SortingState,
} from '@tanstack/vue-table'
import { useWindowVirtualizer } from '@tanstack/vue-virtual'
import { useLocalStorage } from '@vueuse/core'
import { computed, nextTick, ref, shallowRef, useTemplateRef } from 'vue'
import { writtenCell } from '#core/formats/cells.ts'
import { writeDate } from '#core/measure/plain-date.ts'
import { writeMoney } from '#core/money/written.ts'
import { inGroups, sortValue, wordsOf, type Column, type Item } from './row-table.ts'

/**
 * A list that can grow: sorted by its heads, searched, its columns chosen, exported, gone through with the arrow keys, and
 * drawn only where it is looked at. A slot named after a column shows its cell; the slot `group` shows
 * the head of a group, over as many columns as it is told.
 */
const {
  lines,
  columns,
  name,
  currency = 'EUR',
  chosen = null,
  sorted = null,
  few = 5,
  groups = null,
  ownCards = false,
} = defineProps<{
  lines: readonly Line[]
  columns: readonly Column<Line>[]
  /** What the list is of: “orders”. */
  name: string
  currency?: string
  chosen?: string | null
  /** The column it stands sorted by at first; a minus before it for the last first. */
  sorted?: string | null
  /** Up to so many lines nothing is offered to find them by. */
  few?: number
  /** On a phone its cards are laid out by its own styles. */
  ownCards?: boolean
  /** Lines that belong together stand below a row of their own: the groups in their order, and which a line is in. */
  groups?: { readonly order: readonly string[]; readonly groupId: (line: Line) => string } | null
}>()
const emit = defineEmits<{ choose: [id: string] }>()
defineSlots<{ [name: string]: (props: { line: Line; id: string; columns: number }) => unknown }>()

const sought = ref('')
const hidden = useLocalStorage<string[]>(
  `bonitas.columns.${name}`,
  columns.filter((column) => column.aside).map(({ id }) => id),
)
const sorting = shallowRef<SortingState>(
  sorted === null ? [] : [{ id: sorted.replace(/^-/, ''), desc: sorted.startsWith('-') }],
)
const shown = computed(() => columns.filter((column) => !hidden.value.includes(column.id)))
const found = computed(() => {
  const words = sought.value.trim().toLocaleLowerCase('en').split(/\s+/)
  return words[0] === '' ? lines : lines.filter((line) => words.every((word) => wordsOf(line, columns).includes(word)))
})
const helper = createColumnHelper<Line>()
const table = useVueTable<Line>({
  get data() {
    return found.value as Line[]
  },
  get columns() {
    return columns.map((column) =>
      helper.accessor((line) => sortValue(column.cell(line)), {
        id: column.id,
        enableSorting: column.plain !== true,
        sortingFn: 'basic',
        sortDescFirst: false,
      }),
    )
  },
  getRowId: (line) => line.id,
  state: {
    get sorting() {
      return sorting.value
    },
  },
  onSortingChange: (next) => {
    sorting.value = typeof next === 'function' ? next(sorting.value) : next
  },
  getCoreRowModel: getCoreRowModel(),
  getSortedRowModel: getSortedRowModel(),
})
/** What is drawn, row by row: lines, and the heads of their groups. */
const items = computed((): Item<Line>[] => {
  const rows = table.getRowModel().rows.map((row) => row.original)
  return groups
    ? inGroups(rows, groups.order, groups.groupId)
    : rows.map((line) => ({ id: line.id, line, group: '', head: false }))
})
const ordered = computed(() => items.value.flatMap(({ line, head }) => (head ? [] : [line])))
const headOf = (id: string) => table.getColumn(id)

/** From so many lines on only those in sight are drawn. */
const many = 80
const body = useTemplateRef<HTMLElement>('body')
const virtual = useWindowVirtualizer(
  computed(() => ({
    count: items.value.length,
    estimateSize: () => 41,
    overscan: 12,
    scrollMargin: body.value?.offsetTop ?? 0,
    enabled: items.value.length > many,
  })),
)
const drawn = computed(() => {
  if (items.value.length <= many) return { items: items.value, before: 0, after: 0 }
  const parts = virtual.value.getVirtualItems()
  const margin = body.value?.offsetTop ?? 0
  return {
    items: parts.flatMap(({ index }) => items.value[index] ?? []),
    before: (parts[0]?.start ?? margin) - margin,
    after: virtual.value.getTotalSize() - ((parts.at(-1)?.end ?? margin) - margin),
  }
})

function toggle(id: string): void {
  hidden.value = hidden.value.includes(id) ? hidden.value.filter((hiddenId) => hiddenId !== id) : [...hidden.value, id]
}

/** Up and down go from line to line, and choose the one they come to. */
async function step(event: KeyboardEvent, line: Line): Promise<void> {
  const by = { ArrowDown: 1, ArrowUp: -1 }[event.key]
  if (by === undefined || chosen === null) return
  const next = ordered.value[ordered.value.findIndex(({ id }) => id === line.id) + by]
  if (!next) return
  event.preventDefault()
  emit('choose', next.id)
  await nextTick()
  const row = body.value?.querySelector<HTMLElement>(`[data-line="${next.id}"]`)
  row?.querySelector<HTMLElement>('button, a')?.focus()
  row?.scrollIntoView({ block: 'nearest' })
}

/** What is found, as it stands sorted, with the columns that are shown. */
async function exported(): Promise<void> {
  const { unparse } = await import('papaparse')
  const told = shown.value.filter((column) => column.plain !== true)
  const cells = ordered.value.map((line) => told.map((column) => writtenCell(column.cell(line), currency)))
  const text = `\ufeff${unparse([told.map(({ title }) => title), ...cells], { newline: '\r\n' })}\r\n`
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([text], { type: 'text/csv' }))
  link.download = `${name.replace(/\W+/g, '-')}.csv`
  link.click()
  URL.revokeObjectURL(link.href)
}

const said = (column: Column<Line>, line: Line): string => {
  const cell = column.cell(line)
  if (cell === null) return '–'
  if ('text' in cell) return cell.text
  if ('date' in cell) return writeDate(cell.date)
  return 'amount' in cell ? writeMoney(cell.amount, currency) : String(cell.number)
}
</script>

<template>
  <div class="row-table">
    <div v-if="lines.length > few" class="seek">
      <el-input
        v-model="sought"
        :placeholder="`Find in ${lines.length} ${name}`"
        clearable
        :aria-label="`Find in ${name}`"
      />
      <span v-if="found.length < lines.length" class="quiet" role="status"
        >{{ found.length }} of {{ lines.length }}</span
      >
      <span class="end">
        <el-popover placement="bottom-end" trigger="click" :width="200">
          <template #reference
            ><button type="button" class="word" :aria-label="`Columns of ${name}`">Columns</button></template
          >
          <el-checkbox
            v-for="column in columns.filter(({ plain, silent }) => !plain && !silent)"
            :key="column.id"
            :model-value="!hidden.includes(column.id)"
            :label="column.title"
            @change="toggle(column.id)"
          />
        </el-popover>
        <button type="button" class="word" :aria-label="`Export ${name} as CSV`" @click="exported()">CSV</button>
      </span>
    </div>
    <table :class="[$attrs.class, { cards: !ownCards }]">
      <thead>
        <tr>
          <th
            v-for="column in shown"
            :key="column.id"
            :class="[column.id, { number: column.number }]"
            :aria-sort="
              column.plain
                ? undefined
                : (({ asc: 'ascending', desc: 'descending' } as const)[
                    String(headOf(column.id)?.getIsSorted()) as 'asc'
                  ] ?? 'none')
            "
          >
            <span v-if="column.silent" class="visually-hidden">{{ column.title }}</span>
            <template v-else-if="column.plain || lines.length <= 1">{{ column.title }}</template>
            <button v-else type="button" class="bare sort" @click="headOf(column.id)?.toggleSorting()">
              {{ column.title
              }}<span class="way" aria-hidden="true">{{
                headOf(column.id)?.getIsSorted() === 'asc'
                  ? '↓'
                  : headOf(column.id)?.getIsSorted() === 'desc'
                    ? '↑'
                    : ''
              }}</span>
            </button>
          </th>
        </tr>
      </thead>
      <tbody ref="body">
        <tr v-if="drawn.before > 0" aria-hidden="true">
          <td :colspan="shown.length" :style="{ height: `${drawn.before}px` }" />
        </tr>
        <template v-for="{ id, group, line, head } in drawn.items" :key="id">
          <tr v-if="head" class="group">
            <slot name="group" :line="line" :id="group" :columns="shown.length" />
          </tr>
          <tr
            v-else
            :data-line="id"
            :class="{ chosen: id === chosen }"
            @click="emit('choose', id)"
            @keydown="step($event, line)"
          >
            <td
              v-for="column in shown"
              :key="column.id"
              :class="[column.id, { number: column.number }]"
              :data-title="column.silent ? undefined : column.title"
            >
              <slot :name="column.id" :line="line" :id="id" :columns="1">{{ said(column, line) }}</slot>
            </td>
          </tr>
        </template>
        <tr v-if="drawn.after > 0" aria-hidden="true">
          <td :colspan="shown.length" :style="{ height: `${drawn.after}px` }" />
        </tr>
      </tbody>
    </table>
    <p v-if="found.length === 0" class="quiet">Nothing among the {{ name }} is called that.</p>
  </div>
</template>

<style scoped>
.seek {
  display: flex;
  align-items: center;
  gap: 14px;
  margin-bottom: 6px;
}
.seek > .el-input {
  flex: 0 1 280px;
}
.sort {
  font: inherit;
  color: inherit;
  min-height: 24px;
}
.sort:hover {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.way {
  display: inline-block;
  width: 1em;
  margin-right: -1em;
  text-align: center;
}
.end {
  margin-left: auto;
  display: inline-flex;
  gap: 14px;
}
</style>

<script setup lang="ts" generic="Row extends object">
// A long list as a table: ordered by any column, in pages, with the columns that this device shows. The order and the
// columns are remembered by the list's name.
import { NButton, NFlex, NTable } from 'naive-ui'
import { useStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { lazy } from '@/pieces/lazy'

export interface ListColumn<Row> {
  key: string
  title: string
  /** In small letters under the title. */
  under?: string
  /** What it is ordered by; a column without this keeps the order it came in. */
  by?: (row: Row) => string | number | null
  /** Whether it may be left out on this device. */
  mayHide?: boolean
  isNumber?: boolean
  /** Of a column of buttons: its title is for who cannot see them. */
  hiddenTitle?: boolean
}
const {
  name,
  rows,
  columns,
  rowKey,
  caption,
  pageSize = 150,
  rowProps = undefined,
} = defineProps<{
  name: string
  rows: readonly Row[]
  columns: ListColumn<Row>[]
  rowKey: (row: Row) => string | number
  caption: string
  pageSize?: number
  rowProps?: (row: Row) => Record<string, unknown>
}>()
const ColumnChoice = lazy(() => import('./ColumnChoice.vue'))
const Pages = lazy(() => import('./Pages.vue'))
defineSlots<Record<string, (given: { row: Row }) => unknown>>()

type Order = { key: string; falls: boolean } | null
const order = useStorage<Order>(`verifex-order-${name}`, null, undefined, {
  serializer: { read: (text) => JSON.parse(text) as Order, write: (value) => JSON.stringify(value) },
})
const hidden = useStorage<string[]>(`verifex-hidden-${name}`, [])
const optional = computed(() => columns.filter((column) => column.mayHide))
const visible = computed({
  get: () => optional.value.map((column) => column.key).filter((key) => !hidden.value.includes(key)),
  set: (keys) =>
    (hidden.value = optional.value.map((column) => column.key).filter((key) => !keys.includes(key))),
})

const collator = new Intl.Collator(undefined, { numeric: true })
const ordered = computed(() => {
  const by = columns.find((column) => column.key === order.value?.key)?.by
  if (!by) return [...rows]
  const sign = order.value!.falls ? -1 : 1
  // What has no value comes last either way.
  return [...rows].sort((a, b) => {
    const [one, other] = [by(a), by(b)]
    if (one === null || one === '') return other === null || other === '' ? 0 : 1
    if (other === null || other === '') return -1
    return (
      sign *
      (typeof one === 'number' && typeof other === 'number'
        ? one - other
        : collator.compare(String(one), String(other)))
    )
  })
})
/** Rising, then falling, then as the list came. */
function turn(key: string) {
  const now = order.value
  if (now?.key !== key) order.value = { key, falls: false }
  else order.value = now.falls ? null : { key, falls: true }
}
const sorted = (key: string) =>
  order.value?.key === key ? (order.value.falls ? 'descending' : 'ascending') : undefined

const shown = computed(() =>
  columns.filter((column) => !column.mayHide || !hidden.value.includes(column.key)),
)
const page = ref(1)
const pages = computed(() => Math.ceil(rows.length / pageSize))
const here = computed(() => Math.min(page.value, pages.value || 1))
const listed = computed(() => ordered.value.slice((here.value - 1) * pageSize, here.value * pageSize))
/** A cell that has no slot of its own. */
const plain = (row: Row, key: string) => (row as Record<string, unknown>)[key]
</script>

<template>
  <NFlex vertical :size="4">
    <ColumnChoice v-if="optional.length" v-model="visible" class="self-end" :columns="optional" />
    <div class="wrap">
      <NTable :bordered="false" size="small" class="middle">
        <caption class="visually-hidden">
          {{
            caption
          }}
        </caption>
        <thead>
          <tr>
            <th
              v-for="column in shown"
              :key="column.key"
              :class="{ num: column.isNumber }"
              :aria-sort="sorted(column.key)"
            >
              <NButton v-if="column.by" text class="by" @click="turn(column.key)">
                {{ column.title }}
                <svg
                  v-if="sorted(column.key)"
                  :class="sorted(column.key)"
                  viewBox="0 0 12 12"
                  width="11"
                  height="11"
                  aria-hidden="true"
                >
                  <path d="M6 10V2M2.5 5.5L6 2l3.5 3.5" />
                </svg>
              </NButton>
              <span v-else :class="{ 'visually-hidden': column.hiddenTitle }">{{ column.title }}</span>
              <span v-if="column.under" class="soft block">{{ column.under }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in listed" :key="rowKey(row)" v-bind="rowProps?.(row)">
            <td
              v-for="column in shown"
              :key="column.key"
              :class="{ num: column.isNumber, v: column.isNumber }"
            >
              <slot :name="column.key" :row="row">{{ plain(row, column.key) }}</slot>
            </td>
          </tr>
        </tbody>
      </NTable>
    </div>
    <Pages v-if="pages > 1" v-model="page" class="mt-2.5" :count="pages" />
  </NFlex>
</template>

<style scoped>
.by {
  font-weight: inherit;
  color: inherit;
  height: auto;
  text-align: inherit;
}
.by,
.by :deep(.n-button__content) {
  white-space: normal;
}
.descending {
  transform: rotate(180deg);
}
path {
  fill: none;
  stroke: currentColor;
  stroke-width: 1.8;
}
tr.whole {
  cursor: pointer;
}
tr.whole:hover td {
  background: var(--act-bg);
}
</style>

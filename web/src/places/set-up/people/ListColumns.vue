<script setup lang="ts">
// Which column of the file is what: proposed by the server, changed here above each column.
import { NRadio, NTable } from 'naive-ui'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import { listColumns as texts } from '@texts/set-up-people'
const props = defineProps<{ rows: string[][] }>()
const meanings = defineModel<Record<string, number>>('meanings', { required: true })
const firstRow = defineModel<number>('firstRow', { required: true })
const CHOICES = [
  ['', texts.notUsed],
  ['name', texts.wholeName],
  ['first', texts.firstName],
  ['last', texts.lastName],
  ['number', texts.studentNumber],
  ['group', 'group'],
  ['section', 'section'],
] as const
const width = props.rows[0]?.length ?? 0
const meaningOf = (column: number) =>
  Object.entries(meanings.value).find(([, place]) => place === column)?.[0] ?? ''

function set(column: number, meaning: string) {
  const kept = Object.entries(meanings.value).filter(([name, place]) => place !== column && name !== meaning)
  meanings.value = Object.fromEntries(meaning ? [...kept, [meaning, column]] : kept)
}
</script>

<template>
  <div class="overflow-x-auto">
    <NTable :bordered="false" size="small">
      <caption>
        {{
          texts.heading
        }}
      </caption>
      <thead>
        <tr>
          <th class="text-soft whitespace-nowrap">{{ texts.listBegins }}</th>
          <th v-for="column in width" :key="column">
            <ChoiceField
              :class="{ used: meaningOf(column - 1) }"
              :aria-label="texts.column(column)"
              :model-value="meaningOf(column - 1)"
              :options="CHOICES.map(([value, word]) => ({ value: value, label: word }))"
              @update:model-value="set(column - 1, $event)"
            />
          </th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="(row, index) in rows.slice(0, Math.max(5, firstRow + 3))"
          :key="index"
          :class="{ above: index < firstRow }"
        >
          <td class="max-w-50 overflow-hidden text-ellipsis text-soft whitespace-nowrap">
            <NRadio
              name="first-row"
              :checked="index === firstRow"
              :aria-label="texts.firstRow(index + 1)"
              @update:checked="firstRow = index"
              >{{ index + 1 }}</NRadio
            >
          </td>
          <td
            v-for="(cell, column) in row"
            :key="column"
            class="whitespace-nowrap max-w-50 overflow-hidden text-ellipsis"
            :class="{ unused: !meaningOf(column) }"
          >
            {{ cell }}
          </td>
        </tr>
      </tbody>
    </NTable>
  </div>
</template>

<style scoped>
caption {
  text-align: left;
  font-weight: 620;
  padding-bottom: 4px;
}
.above td {
  color: var(--faint);
  background: var(--sunk);
}
.unused {
  color: var(--faint);
}
.n-select.used {
  font-weight: 600;
}
.n-select {
  min-width: 130px;
}
</style>

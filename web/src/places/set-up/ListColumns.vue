<script setup lang="ts">
// Which column of the file is what: proposed by the server, changed here above each column.
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
  <div class="wide">
    <table class="plain">
      <caption>
        {{
          texts.whatEachColumnIs
        }}
      </caption>
      <thead>
        <tr>
          <th class="rownum">{{ texts.listBegins }}</th>
          <th v-for="column in width" :key="column">
            <select
              class="field"
              :class="{ used: meaningOf(column - 1) }"
              :aria-label="texts.column(column)"
              :value="meaningOf(column - 1)"
              @change="set(column - 1, ($event.target as HTMLSelectElement).value)"
            >
              <option v-for="[value, word] in CHOICES" :key="value" :value="value">{{ word }}</option>
            </select>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="(row, index) in rows.slice(0, Math.max(5, firstRow + 3))"
          :key="index"
          :class="{ above: index < firstRow }"
        >
          <td class="rownum">
            <label>
              <input
                type="radio"
                name="first-row"
                :checked="index === firstRow"
                :aria-label="texts.theListBeginsInRow(index + 1)"
                @change="firstRow = index"
              />
              {{ index + 1 }}
            </label>
          </td>
          <td v-for="(cell, column) in row" :key="column" :class="{ unused: !meaningOf(column) }">
            {{ cell }}
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.wide {
  overflow-x: auto;
}
caption {
  text-align: left;
  font-weight: 620;
  padding-bottom: 4px;
}
td {
  white-space: nowrap;
  max-width: 200px;
  overflow: hidden;
  text-overflow: ellipsis;
}
.rownum {
  color: var(--soft);
  white-space: nowrap;
}
.above td {
  color: var(--faint);
  background: var(--sunk);
}
.unused {
  color: var(--faint);
}
select.used {
  border-color: var(--act);
  font-weight: 600;
}
select {
  min-width: 130px;
}
</style>

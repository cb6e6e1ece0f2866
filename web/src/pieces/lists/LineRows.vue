<script setup lang="ts">
// A line of a program in the run on its bench: each time it was come to, its variables before and after.
import { NTable } from 'naive-ui'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import Sheet from '@/pieces/states/Sheet.vue'
import { lineRows as texts } from '@texts/pieces'

const props = defineProps<{ seen: Schemas['LineInRunOut']; moment?: number | null }>()
const rows = computed(() =>
  props.seen.rows.map((row) => ({
    ...row,
    by: Object.fromEntries(row.values.map((value) => [value.name, value])),
    at: `${(row.ms / 1000).toFixed(2)} s`,
  })),
)
/** The row at the moment that is looked at. */
const looked = computed(() => {
  const moment = props.moment ?? null
  return moment === null ? -1 : rows.value.findIndex((row) => row.ms >= moment)
})
</script>

<template>
  <Sheet
    tag="section"
    pad="small"
    class="line-in-run"
    inner="grid grid-cols-1 gap-1.5"
    :aria-label="texts.lineInRun(seen.line)"
  >
    <p>
      <span class="soft">{{ texts.line(seen.line) }}</span>
      <code class="v wrap-anywhere">{{ seen.text }}</code>
    </p>
    <p v-if="!seen.times" class="soft">{{ texts.neverReached }}</p>
    <template v-else>
      <p class="soft">
        {{ texts.timesReached(seen.times, rows.length) }}
      </p>
      <div class="scroll max-h-62.5 overflow-auto" tabindex="0" role="region" :aria-label="texts.variables">
        <NTable :bordered="false" size="small">
          <thead>
            <tr>
              <th class="py-0.5 pr-3.5 pl-0 text-left whitespace-nowrap" scope="col">{{ texts.at }}</th>
              <th scope="col" class="step py-0.5 pr-3.5 pl-0 text-left whitespace-nowrap">
                {{ texts.step }}
              </th>
              <th
                v-for="name in seen.names"
                :key="name"
                scope="col"
                class="num py-0.5 pr-3.5 pl-0 whitespace-nowrap text-right"
              >
                {{ name }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, index) in rows" :key="index" :class="{ looked: index === looked }">
              <td class="v py-0.5 pr-3.5 pl-0 text-left whitespace-nowrap">{{ row.at }}</td>
              <td class="soft step py-0.5 pr-3.5 pl-0 text-left whitespace-nowrap">{{ row.step }}</td>
              <td
                v-for="name in seen.names"
                :key="name"
                class="num v py-0.5 pr-3.5 pl-0 whitespace-nowrap text-right"
              >
                <template v-if="row.by[name]">
                  <template v-if="row.by[name]!.before && row.by[name]!.before !== row.by[name]!.after"
                    ><span class="soft">{{ row.by[name]!.before }} →</span>{{ ' ' }}</template
                  >{{ row.by[name]!.after || row.by[name]!.before }}
                </template>
              </td>
            </tr>
          </tbody>
        </NTable>
      </div>
    </template>
  </Sheet>
</template>

<style scoped>
@media (max-width: 600px) {
  .step {
    display: none;
  }
}
.looked td {
  background: var(--copper-soft);
}
</style>

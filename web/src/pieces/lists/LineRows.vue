<script setup lang="ts">
// A line of a program in the run on its bench: each time it was come to, its variables before and after.
import { NTable } from 'naive-ui'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { lineRows as texts } from '@texts/pieces'

const props = defineProps<{ seen: Schemas['LineSeenOut']; moment?: number | null }>()
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
  <section class="seen" :aria-label="texts.lineInTheRun(seen.line)">
    <p>
      <span class="soft">{{ texts.line(seen.line) }}</span> <code class="v">{{ seen.text }}</code>
    </p>
    <p v-if="!seen.times" class="soft">{{ texts.theRunNeverComes }}</p>
    <template v-else>
      <p class="soft">
        {{ texts.inTheRun(seen.times, rows.length) }}
      </p>
      <div class="scroll" tabindex="0" role="region" :aria-label="texts.theLinesVariables">
        <NTable :bordered="false" size="small">
          <thead>
            <tr>
              <th scope="col">{{ texts.at }}</th>
              <th scope="col" class="step">{{ texts.step }}</th>
              <th v-for="name in seen.names" :key="name" scope="col" class="num">{{ name }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, index) in rows" :key="index" :class="{ looked: index === looked }">
              <td class="v">{{ row.at }}</td>
              <td class="soft step">{{ row.step }}</td>
              <td v-for="name in seen.names" :key="name" class="num v">
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
  </section>
</template>

<style scoped>
.seen {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  padding: 10px 12px;
  background: var(--sheet);
}
code {
  overflow-wrap: anywhere;
}
.scroll {
  max-height: 250px;
  overflow: auto;
}
th,
td {
  padding: 2px 14px 2px 0;
  text-align: left;
  white-space: nowrap;
}
.num {
  text-align: right;
}
@media (max-width: 600px) {
  .step {
    display: none;
  }
}
.looked td {
  background: var(--copper-soft);
}
</style>

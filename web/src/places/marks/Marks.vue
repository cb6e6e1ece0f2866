<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { ask, client } from '@/api/client'
import EmptyNote from '@/pieces/EmptyNote.vue'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { useSession } from '@/shared/me'

const { session } = useSession()
const router = useRouter()
const { data, error, isPending } = useQuery({
  queryKey: ['class-marks', computed(() => session.value?.id)],
  queryFn: () =>
    ask(
      client.GET('/api/sessions/{session_id}/marks', { params: { path: { session_id: session.value!.id } } }),
    ),
  enabled: computed(() => !!session.value),
})
const closed = computed(() => data.value?.rows.filter((r) => r.closed).length ?? 0)
</script>

<template>
  <div class="page">
    <header>
      <h1>Marks</h1>
      <span v-if="data" class="soft"
        >{{ closed }} of {{ data.rows.length }} closed; the others are proposed as of now</span
      >
      <span class="gap" />
      <a v-if="session" class="btn line" :href="`/api/sessions/${session.id}/marks.csv`" download
        >Export as CSV</a
      >
    </header>
    <ErrorNote :error="error" />
    <p v-if="isPending" class="soft" aria-busy="true">Gathering the class…</p>
    <EmptyNote
      v-else-if="data && !data.rows.length"
      title="No dockets yet"
      text="Marks appear when kits are handed out."
    />
    <div v-else-if="data" class="sheet wrap">
      <table class="plain">
        <thead>
          <tr>
            <th class="num">Bench</th>
            <th>Pair</th>
            <th v-for="(title, index) in data.titles" :key="title" class="num">
              {{ title }}<br /><span class="soft">of {{ data.of[index] }}</span>
            </th>
            <th class="num">Total</th>
            <th><span class="visually-hidden">State</span></th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="row in data.rows"
            :key="row.docket"
            tabindex="0"
            @click="router.push(`/dockets/${row.docket}/mark`)"
            @keydown.enter="router.push(`/dockets/${row.docket}/mark`)"
          >
            <td class="num">
              <b>{{ row.bench }}</b>
            </td>
            <td>{{ row.pair }}</td>
            <td
              v-for="title in data.titles"
              :key="title"
              class="num v"
              :class="{ changed: row.changed.includes(title) }"
            >
              {{ row.criteria[title] ?? '–' }}
            </td>
            <td class="num">
              <b>{{ row.total }}</b> <span class="soft">of {{ row.of }}</span>
            </td>
            <td>
              <span :class="row.closed ? 'closed' : 'soft'">{{ row.closed ? 'closed' : 'proposed' }}</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="data?.rows.some((r) => r.changed.length)" class="soft">
      Marks in indigo were changed by an instructor, with a reason.
    </p>
  </div>
</template>

<style scoped>
.page {
  padding: 18px 20px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
header {
  display: flex;
  align-items: baseline;
  gap: 14px;
}
.gap {
  flex: 1;
}
.wrap {
  overflow: auto;
}
tbody tr {
  cursor: pointer;
}
tbody tr:hover td {
  background: var(--sunk);
}
.changed {
  color: var(--act);
  font-weight: 700;
}
.closed {
  color: var(--good);
  font-weight: 640;
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import Asked from '@/pieces/Asked.vue'
import EmptyNote from '@/pieces/EmptyNote.vue'
import { useClassMarks } from '@/queries/marks'
import { useSession } from '@/shared/me'

const { session, sessions } = useSession()
const router = useRouter()
const marks = useClassMarks(computed(() => session.value?.id))
const data = marks.data
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
    <EmptyNote
      v-if="sessions.data.value && !session"
      title="No session is planned"
      text="Marks are kept by session: there is none yet."
    />
    <Asked v-else v-slot="{ data: sheet }" :query="marks" what="the marks of the class">
      <EmptyNote
        v-if="!sheet.rows.length"
        title="No dockets yet"
        text="Marks appear when kits are handed out."
      />
      <div v-else class="sheet wrap">
        <table class="plain">
          <thead>
            <tr>
              <th class="num">Bench</th>
              <th>Pair</th>
              <th v-for="(title, index) in sheet.titles" :key="title" class="num">
                {{ title
                }}<template v-if="sheet.of[index]"
                  ><br /><span class="soft">of {{ sheet.of[index] }}</span></template
                >
              </th>
              <th class="num">Total</th>
              <th><span class="visually-hidden">State</span></th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="row in sheet.rows"
              :key="row.docket"
              tabindex="0"
              @click="router.push(`/dockets/${row.docket}/mark`)"
              @keydown.enter="router.push(`/dockets/${row.docket}/mark`)"
            >
              <td class="num">
                <b>{{ row.bench }}</b>
              </td>
              <td>
                {{ row.pair }}
                <span v-if="sheet.exercises > 1" class="soft exercise">{{ row.exercise }}</span>
              </td>
              <td
                v-for="title in sheet.titles"
                :key="title"
                class="num v"
                :class="{ changed: row.changed.includes(title) }"
              >
                {{ row.criteria[title] ?? '–'
                }}<template v-if="row.changed.includes(title)"
                  >*<span class="visually-hidden"> changed by an instructor</span></template
                >
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
      <p v-if="sheet.rows.some((r) => r.changed.length)" class="soft">
        * Changed by an instructor, with a reason.
      </p>
    </Asked>
  </div>
</template>

<style scoped>
.exercise {
  display: block;
  font-size: 13.5px;
}
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
@media print {
  .wrap {
    overflow: visible;
    border: 0;
  }
  table.plain {
    font-size: 9.5pt;
  }
  table.plain td,
  table.plain th {
    padding: 3px 4px;
  }
}
</style>

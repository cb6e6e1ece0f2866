<script setup lang="ts">
import { NButton, NTable } from 'naive-ui'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import Asked from '@/pieces/Asked.vue'
import EmptyNote from '@/pieces/EmptyNote.vue'
import { useClassMarks } from '@/queries/marks'
import { useSession } from '@/shared/me'
import { common } from '@texts/common'
import { marks as texts } from '@texts/marks'

const { session, sessions } = useSession()
const router = useRouter()
const marks = useClassMarks(computed(() => session.value?.id))
const data = marks.data
const closed = computed(() => data.value?.rows.filter((r) => r.closed).length ?? 0)
</script>

<template>
  <div class="page">
    <header>
      <h1>{{ common.marks }}</h1>
      <span v-if="data" class="soft">{{ texts.ofClosedTheOthers(closed, data.rows.length) }}</span>
      <span class="gap" />
      <NButton
        v-if="session"
        tag="a"
        type="primary"
        ghost
        :href="`/api/sessions/${session.id}/marks.csv`"
        download
        >{{ texts.exportAsCsv }}</NButton
      >
    </header>
    <EmptyNote
      v-if="sessions.data.value && !session"
      :title="texts.noSessionIsPlanned"
      :text="texts.marksAreKeptBySession"
    />
    <Asked v-else v-slot="{ data: sheet }" :query="marks" :what="texts.theMarksOfTheClass">
      <EmptyNote v-if="!sheet.rows.length" :title="texts.noDocketsYet" :text="texts.marksAppearWhenKits" />
      <div v-else class="sheet wrap">
        <NTable :bordered="false" size="small">
          <thead>
            <tr>
              <th class="num">{{ common.bench }}</th>
              <th>{{ common.pair }}</th>
              <th v-for="(title, index) in sheet.titles" :key="title" class="num">
                {{ title
                }}<template v-if="sheet.of[index]"
                  ><br /><span class="soft">{{ texts.outOf(sheet.of[index]) }}</span></template
                >
              </th>
              <th class="num">{{ texts.total }}</th>
              <th>
                <span class="visually-hidden">{{ common.state }}</span>
              </th>
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
                  >*<span class="visually-hidden">{{ texts.changedByAnInstructor }}</span></template
                >
              </td>
              <td class="num">
                <b>{{ row.total }}</b> <span class="soft">{{ texts.outOf(row.of) }}</span>
              </td>
              <td>
                <span :class="row.closed ? 'closed' : 'soft'">{{
                  row.closed ? texts.closed : texts.proposed
                }}</span>
              </td>
            </tr>
          </tbody>
        </NTable>
      </div>
      <p v-if="sheet.rows.some((r) => r.changed.length)" class="soft">
        {{ texts.changedWithAReason }}
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
  flex-wrap: wrap;
  align-items: baseline;
  gap: 6px 14px;
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
  .n-table {
    font-size: 9.5pt;
  }
  .n-table td,
  .n-table th {
    padding: 3px 4px;
  }
}
</style>

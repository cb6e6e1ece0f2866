<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import type { Schemas } from '@/api/client'
import ListTable, { type ListColumn } from '@/pieces/lists/ListTable.vue'
import Asked from '@/pieces/states/Asked.vue'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import Sheet from '@/pieces/states/Sheet.vue'
import { useClassMarks } from '@/queries/marks'
import { useSession } from '@/shared/me'
import { common } from '@texts/common'
import { marks as texts } from '@texts/marks'

const { session, sessions } = useSession()
const router = useRouter()
const marks = useClassMarks(computed(() => session.value?.id))
const data = marks.data
const closed = computed(() => data.value?.rows.filter((r) => r.closed).length ?? 0)
type ClassSheet = Schemas['ClassSheetOut']
type Row = ClassSheet['rows'][number]
const columnsOf = (sheet: ClassSheet): ListColumn<Row>[] => [
  { key: 'bench', title: common.bench, by: (row) => row.bench, isNumber: true },
  { key: 'pair', title: common.pair, by: (row) => row.pair },
  ...sheet.titles.map((title, index) => ({
    key: `criterion-${title}`,
    title,
    under: sheet.of[index] ? texts.outOf(sheet.of[index]) : undefined,
    by: (row: Row) => row.criteria[title] ?? null,
    isNumber: true,
    mayHide: true,
  })),
  { key: 'total', title: texts.total, by: (row) => row.total, isNumber: true },
  { key: 'state', title: common.state, by: (row) => Number(row.closed) },
]
const pressed = (docket: number) => {
  const go = () => void router.push(`/dockets/${docket}/mark`)
  return {
    class: 'whole',
    tabindex: 0,
    onClick: go,
    onKeydown: (event: KeyboardEvent) => event.key === 'Enter' && go(),
  }
}
</script>

<template>
  <div class="page py-4.5 px-5 grid grid-cols-1 gap-3">
    <header class="flex flex-wrap items-baseline gap-y-1.5 gap-x-3.5">
      <h1>{{ common.marks }}</h1>
      <span v-if="data" class="soft">{{ texts.closedCount(closed, data.rows.length) }}</span>
      <span class="flex-1" />
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
    <EmptyNote v-if="sessions.data.value && !session" :title="texts.noSession" :text="texts.noSessionHint" />
    <Asked v-else v-slot="{ data: sheet }" shape="table" :query="marks" :what="texts.what">
      <EmptyNote v-if="!sheet.rows.length" :title="texts.noDocketsYet" :text="texts.noneHint" />
      <Sheet v-else pad="none">
        <ListTable
          name="marks"
          :rows="sheet.rows"
          :columns="columnsOf(sheet)"
          :row-key="(row) => row.docket"
          :row-props="(row) => pressed(row.docket)"
          :caption="texts.what"
        >
          <template #bench="{ row }"
            ><b>{{ row.bench }}</b></template
          >
          <template #pair="{ row }">
            {{ row.pair }}
            <span v-if="sheet.exercises > 1" class="soft exercise block text-sm">{{ row.exercise }}</span>
          </template>
          <template v-for="title in sheet.titles" :key="title" #[`criterion-${title}`]="{ row }">
            <span :class="{ changed: row.changed.includes(title) }"
              >{{ row.criteria[title] ?? '–'
              }}<template v-if="row.changed.includes(title)"
                >*<span class="visually-hidden">{{ texts.changed }}</span></template
              ></span
            >
          </template>
          <template #total="{ row }"
            ><b>{{ row.total }}</b> <span class="soft">{{ texts.outOf(row.of) }}</span></template
          >
          <template #state="{ row }">
            <span :class="row.closed ? 'closed' : 'soft'">{{
              row.closed ? texts.closed : texts.proposed
            }}</span>
          </template>
        </ListTable>
      </Sheet>
      <p v-if="sheet.rows.some((r) => r.changed.length)" class="soft">
        {{ texts.changedLegend }}
      </p>
    </Asked>
  </div>
</template>

<style scoped>
.changed {
  color: var(--act);
  font-weight: 700;
}
.closed {
  color: var(--good);
  font-weight: 640;
}
@media print {
  .page :deep(.n-table) {
    font-size: 9.5pt;
  }
  .page :deep(td),
  .page :deep(th) {
    padding: 3px 4px;
  }
}
</style>

<script setup lang="ts">
// The feedback sheet: one page to print, from the closed or proposed marks.
import { NButton, NFlex } from 'naive-ui'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import Asked from '@/pieces/states/Asked.vue'
import StationTrace from '@/pieces/stations/StationTrace.vue'
import { useDocketQuery } from '@/queries/docket'
import { useDocketMarks } from '@/queries/marks'
import Sentence from '@/pieces/Sentence.vue'
import Sheet from '@/pieces/states/Sheet.vue'
import { feedback as texts } from '@texts/marks'

const route = useRoute()
const router = useRouter()
const id = computed(() => Number(route.params.id))
const docket = useDocketQuery(id)
const marks = useDocketMarks(id)
const print = () => window.print()
</script>

<template>
  <div class="page max-w-200 mx-auto p-5 grid grid-cols-1 gap-3.5">
    <NFlex size="small" class="acts no-print min-w-0">
      <NButton type="primary" @click="print">{{ texts.print }}</NButton>
      <NButton type="primary" quaternary @click="router.push(`/dockets/${id}/mark`)">
        {{ texts.docketLink }}
      </NButton>
    </NFlex>
    <Asked v-if="!docket.data.value" :query="docket" :what="texts.docketSubject" />
    <Asked v-else-if="!marks.data.value" :query="marks" :what="texts.markSubject" />
    <Sheet v-if="docket.data.value && marks.data.value" tag="article" pad="large">
      <header class="flex justify-between gap-5 border-b-2 border-b-copper pb-3.5">
        <div class="min-w-0 wrap-anywhere">
          <h1>{{ docket.data.value.exercise.title }}</h1>
          <p>
            {{
              texts.benchVersion(
                docket.data.value.members.map((m) => m.name),
                docket.data.value.bench ?? '–',
                docket.data.value.exercise.version,
              )
            }}
          </p>
          <StationTrace class="trace" :stations="docket.data.value.stations" />
        </div>
        <p class="total text-right whitespace-nowrap">
          <Sentence :text="texts.totalOf(marks.data.value.of)"
            ><template #total
              ><b class="text-[34px]">{{ marks.data.value.total }}</b></template
            >
            <template #proposedNot
              ><span v-if="!marks.data.value.closed" class="soft">{{
                texts.proposedNotClosed
              }}</span></template
            ></Sentence
          >
        </p>
      </header>
      <section v-for="row in marks.data.value.criteria" :key="row.name">
        <h2 class="flex justify-between text-lg">
          {{ row.title }}<span>{{ texts.countsOf(row.counts ?? '–', row.of) }}</span>
        </h2>
        <p v-for="sentence in row.evidence" :key="sentence">{{ sentence }}</p>
        <p v-if="row.given !== null">{{ texts.changedFrom(row.proposed ?? '–', row.reason ?? '') }}</p>
      </section>
    </Sheet>
  </div>
</template>

<style scoped>
header,
section {
  min-width: 0;
  flex-wrap: wrap;
}
.trace {
  width: 200px;
  margin-top: 10px;
}
.total span {
  display: block;
}
section {
  padding: 10px 0;
  border-bottom: 1px solid var(--line);
}
section:last-child {
  border-bottom: 0;
}
@media print {
  .page {
    padding: 0;
  }
  article {
    border: 0;
  }
}
</style>

<script setup lang="ts">
// The feedback sheet: one page to print, from the closed or proposed marks.
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import Asked from '@/pieces/states/Asked.vue'
import StationTrace from '@/pieces/stations/StationTrace.vue'
import { useDocketQuery } from '@/queries/docket'
import { useDocketMarks } from '@/queries/marks'
import Sentence from '@/pieces/Sentence.vue'
import { feedback as texts } from '@texts/marks'

const route = useRoute()
const router = useRouter()
const id = computed(() => Number(route.params.id))
const docket = useDocketQuery(id)
const marks = useDocketMarks(id)
const print = () => window.print()
</script>

<template>
  <div class="page">
    <div class="acts no-print">
      <NButton type="primary" @click="print">{{ texts.print }}</NButton>
      <NButton type="primary" quaternary @click="router.push(`/dockets/${id}/mark`)">
        {{ texts.backToTheDocket }}
      </NButton>
    </div>
    <Asked v-if="!docket.data.value" :query="docket" :what="texts.theDocket" />
    <Asked v-else-if="!marks.data.value" :query="marks" :what="texts.theMark" />
    <article v-if="docket.data.value && marks.data.value" class="sheet">
      <header>
        <div>
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
        <p class="total">
          <Sentence :text="texts.totalOf(marks.data.value.of)"
            ><template #total
              ><b>{{ marks.data.value.total }}</b></template
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
        <h2>
          {{ row.title }}<span>{{ texts.countsOf(row.counts ?? '–', row.of) }}</span>
        </h2>
        <p v-for="sentence in row.evidence" :key="sentence">{{ sentence }}</p>
        <p v-if="row.given !== null">{{ texts.changedFrom(row.proposed ?? '–', row.reason ?? '') }}</p>
      </section>
    </article>
  </div>
</template>

<style scoped>
.page {
  max-width: 800px;
  margin: 0 auto;
  padding: 20px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
}
.acts {
  display: flex;
  gap: 10px;
}
article {
  padding: clamp(14px, 4vw, 30px) clamp(14px, 4.5vw, 36px);
}
article > *,
.acts {
  min-width: 0;
  flex-wrap: wrap;
}
header > div {
  min-width: 0;
  overflow-wrap: anywhere;
}
header {
  display: flex;
  justify-content: space-between;
  gap: 20px;
  border-bottom: 2px solid var(--copper);
  padding-bottom: 14px;
}
.trace {
  width: 200px;
  margin-top: 10px;
}
.total {
  text-align: right;
  white-space: nowrap;
}
.total b {
  font-size: 34px;
}
.total span {
  display: block;
}
section {
  padding: 10px 0;
  border-bottom: 1px solid var(--line);
}
h2 {
  display: flex;
  justify-content: space-between;
  font-size: 16px;
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

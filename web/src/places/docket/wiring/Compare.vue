<script setup lang="ts">
// As handed in beside as the exercise intends, by what each part does; where it sits does not matter.
import { NTable } from 'naive-ui'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { common } from '@texts/common'
import { compare as texts } from '@texts/docket-wiring'
import { useDocket } from '../use-docket'
import { useStudy } from './use-study'

const props = defineProps<{ attempt: number; lit?: Schemas['WhereOut'] | null }>()
const { docket, id } = useDocket()
const study = useStudy(
  id,
  computed(() => props.attempt),
)
const rows = computed(() => study.data.value?.comparison ?? [])
const apart = computed(() => rows.value.filter((row) => !row.agrees).length)
const groups = computed(() => {
  const refs = [...new Set(rows.value.map((row) => row.ref))]
  return refs.map((ref) => ({
    ref,
    title: docket.value?.exercise.recipe.find((part) => part.ref === ref)?.title ?? '',
    rows: rows.value.filter((row) => row.ref === ref),
  }))
})
</script>

<template>
  <ErrorNote v-if="study.error.value" :error="study.error.value" />
  <p v-else-if="study.isPending.value" class="soft" aria-busy="true">{{ texts.comparing }}</p>
  <EmptyNote v-else-if="!rows.length" :title="texts.nothingToCompare" :text="texts.noReference" />
  <div v-else>
    <p class="sum font-semibold text-lg text-fix mb-2" :class="{ good: !apart }">
      {{ apart ? texts.functionsDiffer(apart, rows.length) : texts.functionsAgree(rows.length) }}
    </p>
    <NTable :bordered="false" size="small">
      <thead>
        <tr>
          <th>{{ common.part }}</th>
          <th>{{ texts.whatItDoes }}</th>
          <th>{{ texts.asHandedIn }}</th>
          <th>{{ texts.asIntended }}</th>
          <th>
            <span class="visually-hidden">{{ texts.agrees }}</span>
          </th>
        </tr>
      </thead>
      <tbody v-for="group in groups" :key="group.ref">
        <tr
          v-for="(row, index) in group.rows"
          :key="row.aspect"
          :class="{ apart: !row.agrees, lit: (lit?.parts ?? []).includes(row.ref) }"
        >
          <td>
            <template v-if="index === 0"
              ><b class="v">{{ group.ref }}</b> <span class="soft">{{ group.title }}</span></template
            >
          </td>
          <td>{{ row.aspect }}</td>
          <td class="v">{{ row.handed_in }}</td>
          <td class="v soft">{{ row.intended }}</td>
          <td class="mark text-good text-center w-8.5">{{ row.agrees ? '✓' : '≠' }}</td>
        </tr>
      </tbody>
    </NTable>
    <p class="soft note mt-2.5 text-sm">
      {{ texts.legend }}
    </p>
  </div>
</template>

<style scoped>
.sum.good {
  color: var(--good);
}
.apart td {
  background: var(--fix-bg);
}
.apart .mark {
  color: var(--fix);
  font-weight: 700;
}
tr.lit td:first-child {
  box-shadow: inset 3px 0 0 var(--act);
}
</style>

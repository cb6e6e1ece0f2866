<script setup lang="ts">
// A draft: what keeps it from being released, or the button that does it.
import { NButton } from 'naive-ui'
import { computed, ref, toRef } from 'vue'
import ErrorNote from '@/pieces/states/ErrorNote.vue'
import { releaseNote as texts } from '@texts/exercises'
import { type Exercise, useActs, useObstacles } from './use-exercise'

const props = defineProps<{ exercise: Exercise }>()
const exercise = toRef(props, 'exercise')
const { data: obstacles } = useObstacles(
  computed(() => exercise.value.id),
  computed(() => !exercise.value.released),
)
const { release } = useActs()
const refused = ref<unknown>(null)
const stops = computed(() => (obstacles.value ?? []).filter((o) => !o.warns))
const warnings = computed(() => (obstacles.value ?? []).filter((o) => o.warns))
async function freeze() {
  refused.value = null
  try {
    await release.mutateAsync(exercise.value.id)
  } catch (error) {
    refused.value = error
  }
}
</script>

<template>
  <section class="release bg-good-bg rounded py-2.5 px-3.5 mb-3" :class="{ stopped: stops.length }">
    <p v-if="!obstacles" class="soft" aria-busy="true">{{ texts.checkingItsBench }}</p>
    <template v-else>
      <div class="head flex gap-3.5 items-center flex-wrap">
        <b>{{ stops.length ? texts.notReady : texts.ready }}</b>
        <span class="soft">{{ texts.releaseConsequence }}</span>
        <NButton type="primary" :disabled="!!stops.length || release.isPending.value" @click="freeze">
          {{ texts.releaseVersion(exercise.version) }}
        </NButton>
      </div>
      <ul v-if="stops.length || warnings.length" class="mt-1.5 mb-0 mx-0 pl-4.5">
        <li v-for="o in [...stops, ...warnings]" :key="o.about + o.message">
          <b v-if="o.about" class="v">{{ o.about }}</b> {{ o.warns ? texts.warnings : '' }}{{ o.message }}
        </li>
      </ul>
      <ErrorNote v-if="refused" :error="refused" />
    </template>
  </section>
</template>

<style scoped>
.release.stopped {
  background: var(--fix-bg);
}
.head .n-button {
  margin-left: auto;
}
</style>

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
  <section class="release" :class="{ stopped: stops.length }">
    <p v-if="!obstacles" class="soft" aria-busy="true">{{ texts.checkingItsBench }}</p>
    <template v-else>
      <div class="head">
        <b>{{ stops.length ? texts.thisDraftCannot : texts.thisDraftCanBeReleased }}</b>
        <span class="soft">{{ texts.aReleasedVersion }}</span>
        <NButton type="primary" :disabled="!!stops.length || release.isPending.value" @click="freeze">
          {{ texts.releaseVersion(exercise.version) }}
        </NButton>
      </div>
      <ul v-if="stops.length || warnings.length">
        <li v-for="o in [...stops, ...warnings]" :key="o.about + o.message">
          <b v-if="o.about" class="v">{{ o.about }}</b> {{ o.warns ? texts.toWeigh : '' }}{{ o.message }}
        </li>
      </ul>
      <ErrorNote v-if="refused" :error="refused" />
    </template>
  </section>
</template>

<style scoped>
.release {
  background: var(--good-bg);
  border-radius: var(--radius);
  padding: 10px 14px;
  margin-bottom: 12px;
}
.release.stopped {
  background: var(--fix-bg);
}
.head {
  display: flex;
  gap: 14px;
  align-items: center;
  flex-wrap: wrap;
}
.head .n-button {
  margin-left: auto;
}
ul {
  margin: 6px 0 0;
  padding-left: 18px;
}
</style>

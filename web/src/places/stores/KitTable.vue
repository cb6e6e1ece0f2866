<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import EmptyNote from '@/pieces/EmptyNote.vue'

const props = defineProps<{ kits: Schemas['KitRowOut'][]; chosen: string }>()
defineEmits<{ choose: [tag: string]; putRight: [tag: string] }>()
const WORDS: Record<string, string> = {
  ready: 'ready',
  out: 'out',
  incomplete: 'incomplete',
  repair: 'in repair',
  'to-test': 'to test',
}
const counts = computed(() => {
  const by = (state: string) => props.kits.filter((kit) => kit.state === state).length
  return `${by('ready')} ready, ${by('out')} out, ${by('incomplete') + by('repair') + by('to-test')} held back`
})
</script>

<template>
  <section aria-label="Kits">
    <header>
      <h2>Kits</h2>
      <span class="soft">{{ counts }}</span>
    </header>
    <EmptyNote
      v-if="!kits.length"
      title="No kits yet"
      text="A kit is a tagged box filled to the recipe of an exercise."
    />
    <div v-else class="sheet wrap">
      <table class="plain">
        <thead>
          <tr>
            <th>Tag</th>
            <th>State</th>
            <th>With</th>
            <th>Note</th>
            <th><span class="visually-hidden">Acts</span></th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="kit in kits"
            :key="kit.id"
            :class="{ chosen: kit.tag === chosen }"
            tabindex="0"
            @click="$emit('choose', kit.tag)"
            @keydown.enter="$emit('choose', kit.tag)"
          >
            <td class="v">
              <b>{{ kit.tag }}</b>
            </td>
            <td>
              <span class="state" :class="kit.state">{{ WORDS[kit.state] }}</span>
            </td>
            <td>{{ kit.holder }}</td>
            <td class="soft">
              {{
                [kit.state === 'out' || kit.state === 'ready' ? '' : kit.reason, ...kit.substitutions]
                  .filter(Boolean)
                  .join('; ')
              }}
            </td>
            <td class="num">
              <button
                v-if="kit.state === 'repair' || (kit.state === 'incomplete' && kit.parts.length)"
                class="btn quiet"
                :aria-label="`${kit.tag} is ${kit.state === 'repair' ? 'repaired' : 'complete'} now`"
                @click.stop="$emit('putRight', kit.tag)"
                @keydown.enter.stop
              >
                {{ kit.state === 'repair' ? 'Repaired' : 'Complete now' }}
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
header {
  display: flex;
  gap: 14px;
  align-items: baseline;
  margin-bottom: 12px;
}
.v {
  white-space: nowrap;
}
.wrap {
  overflow: auto;
}
tbody tr {
  cursor: pointer;
}
tbody tr:hover td,
tr.chosen td {
  background: var(--act-bg);
}
.state {
  font-weight: 620;
  font-size: 14px;
}
.ready {
  color: var(--good);
}
.out {
  color: var(--copper);
}
.to-test,
.incomplete,
.repair {
  color: var(--stop);
}
</style>

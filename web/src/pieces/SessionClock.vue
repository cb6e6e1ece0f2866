<script setup lang="ts">
// The session that is looked at and how long it goes on; with several, which one.
import { useNow } from '@vueuse/core'
import {
  DropdownMenuContent,
  DropdownMenuRadioGroup,
  DropdownMenuRadioItem,
  DropdownMenuRoot,
  DropdownMenuTrigger,
} from 'reka-ui'
import { computed } from 'vue'
import { useSession } from '@/shared/me'
import { clockTime, dayOf, waited } from '@/shared/words'
import { sessionClock as texts } from '@texts/pieces'

const { session, sessions, choose } = useSession()
const now = useNow({ interval: 10_000 })
const said = computed(() => {
  if (!session.value) return ''
  const at = now.value.getTime()
  const [from, to] = [Date.parse(session.value.starts_at), Date.parse(session.value.ends_at)]
  if (at < from) return texts.begins(dayOf(from, session.value.zone), clockTime(from, session.value.zone))
  return at < to ? texts.left(waited(new Date(at).toISOString(), to)) : texts.sessionOver
})
const several = computed(() => (sessions.data.value?.length ?? 0) > 1)
const chosen = computed({
  get: () => String(session.value?.id ?? ''),
  set: (id) => choose(Number(id)),
})
</script>

<template>
  <DropdownMenuRoot v-if="session && several" :modal="false">
    <DropdownMenuTrigger class="clock" :aria-label="texts.chooseTheSession">
      {{ clockTime(now, session.zone) }} · {{ said }}
      <svg viewBox="0 0 12 12" width="10" height="10" aria-hidden="true"><path d="M2 4l4 4 4-4" /></svg>
    </DropdownMenuTrigger>
    <DropdownMenuContent class="sheet menu" align="end" :side-offset="6">
      <DropdownMenuRadioGroup v-model="chosen">
        <DropdownMenuRadioItem
          v-for="one in sessions.data.value"
          :key="one.id"
          :value="String(one.id)"
          class="entry"
        >
          <span class="tick" aria-hidden="true">{{ one.id === session.id ? '✓' : '' }}</span>
          <span>
            {{ one.section }}, {{ one.room }}<br />
            <span class="soft"
              >{{ dayOf(one.starts_at, one.zone) }} {{ clockTime(one.starts_at, one.zone) }}</span
            >
          </span>
        </DropdownMenuRadioItem>
      </DropdownMenuRadioGroup>
    </DropdownMenuContent>
  </DropdownMenuRoot>
  <span v-else-if="session" class="clock">{{ clockTime(now, session.zone) }} · {{ said }}</span>
</template>

<style scoped>
.clock {
  font: inherit;
  background: none;
  border: 0;
  color: var(--bar-warm);
  padding: 8px;
  white-space: nowrap;
}
button.clock {
  cursor: pointer;
}
path {
  fill: none;
  stroke: currentColor;
  stroke-width: 1.8;
}
</style>
<style src="./menu.css"></style>

<script setup lang="ts">
// The session that is looked at and how long it goes on; with several, which one.
import { useNow } from '@vueuse/core'
import { computed } from 'vue'
import MenuButton from '@/pieces/controls/MenuButton.vue'
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
const groups = computed(() => [
  {
    entries: (sessions.data.value ?? []).map((one) => ({
      key: String(one.id),
      word: `${one.section}, ${one.room}`,
      about: `${dayOf(one.starts_at, one.zone)} ${clockTime(one.starts_at, one.zone)}`,
      isOn: one.id === session.value?.id,
    })),
  },
])
</script>

<template>
  <span v-if="session && several" class="several"
    ><MenuButton :label="texts.chooseTheSession" :groups="groups" @choose="choose(Number($event))">
      {{ clockTime(now, session.zone) }} · {{ said }}
    </MenuButton></span
  >
  <span v-else-if="session" class="clock">{{ clockTime(now, session.zone) }} · {{ said }}</span>
</template>

<style scoped>
.clock,
.several :deep(.n-button) {
  font-weight: 400;
  color: var(--bar-warm) !important; /* also while it has the focus, on the bar that is always dark */
  padding: 8px;
  white-space: nowrap;
}
</style>

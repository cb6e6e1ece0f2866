<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ask, client } from '@/api/client'
import { mode, toggleMode } from '@/look/theme'
import { useKeys } from '@/shared/keys'
import { useMe } from '@/shared/me'
import JumpLine from './JumpLine.vue'
import KeyHelp from './KeyHelp.vue'
import SessionClock from './SessionClock.vue'
import Trademark from './Trademark.vue'

const { data: me } = useMe()
const router = useRouter()
const queries = useQueryClient()
const staff = computed(() => me.value?.kind === 'instructor' || me.value?.kind === 'assistant')
const help = ref(false)

async function logOut() {
  await ask(client.POST('/api/log-out'))
  queries.clear()
  await router.push({ name: 'log-in' })
}

useKeys({ '?': { does: 'list the keys', act: () => (help.value = true) } })
</script>

<template>
  <header class="bar no-print">
    <RouterLink to="/" class="mark" aria-label="Verifex, first page"
      ><Trademark /><span class="name">Verifex</span></RouterLink
    >
    <nav v-if="staff" aria-label="Places">
      <RouterLink to="/floor">Floor</RouterLink>
      <RouterLink to="/hatch">Hatch</RouterLink>
      <RouterLink to="/exercises">Exercises</RouterLink>
      <RouterLink to="/marks">Marks</RouterLink>
      <RouterLink to="/sums">Sums</RouterLink>
    </nav>
    <nav v-else-if="me?.name" aria-label="Places">
      <RouterLink to="/my-bench">My bench</RouterLink>
      <RouterLink to="/sums">Sums</RouterLink>
    </nav>
    <span v-else class="spacer" />
    <JumpLine v-if="staff" />
    <SessionClock v-if="staff" />
    <RouterLink v-else-if="me?.pair" class="who" to="/account">{{ me.pair }}</RouterLink>
    <button class="icon" :aria-label="mode === 'dark' ? 'Light theme' : 'Dark theme'" @click="toggleMode">
      {{ mode === 'dark' ? 'Light' : 'Dark' }}
    </button>
    <RouterLink v-if="staff" class="icon" to="/account" :title="me?.name">Account</RouterLink>
    <button v-if="me && me.name" class="icon" :title="me.name" @click="logOut">Log out</button>
    <KeyHelp v-model:show="help" />
  </header>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 6px;
  min-height: 50px;
  padding: 0 20px;
  background: var(--bar);
  color: var(--bar-ink);
}
.mark {
  display: flex;
  align-items: center;
  gap: 9px;
  font-weight: 680;
  font-size: 17px;
  margin-right: 16px;
  color: inherit;
  text-decoration: none;
}
nav {
  display: flex;
  gap: 2px;
  flex: 1;
}
nav a {
  color: var(--bar-soft);
  text-decoration: none;
  padding: 7px 12px;
  border-radius: 5px;
}
nav a:hover {
  color: var(--bar-ink);
}
nav a.router-link-active {
  color: #fff;
  background: #363c4c;
  box-shadow: inset 0 -2px 0 #d98e55;
}
.spacer {
  flex: 1;
}
.who {
  color: #e9c7a9;
  text-decoration: none;
}
.icon {
  font: inherit;
  font-size: 14px;
  background: none;
  border: 0;
  color: var(--bar-soft);
  padding: 8px;
  cursor: pointer;
  white-space: nowrap;
  text-decoration: none;
}
.bar :focus-visible {
  outline-color: #e9c7a9;
}
@media (max-width: 700px) {
  .bar {
    padding: 0 10px;
    gap: 2px;
  }
  .mark {
    margin-right: 4px;
  }
  nav a {
    padding: 7px 6px;
    font-size: 14px;
  }
  .mark:has(+ nav) .name {
    display: none;
  }
  .icon {
    padding: 8px 4px;
  }
  .bar :deep(.clock),
  .bar :deep(.jump) {
    display: none;
  }
}
</style>

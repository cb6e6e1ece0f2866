<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import { useRoute } from 'vue-router'
import { keepCurrentInView } from '@/shared/keep-in-view'
import { keyHelp, useKeys } from '@/shared/keys'
import { useMe } from '@/shared/me'
import { useOnce } from '@/shared/once'
import { common } from '@texts/common'
import { topBar as texts } from '@texts/pieces'
import AccountMenu from './AccountMenu.vue'
import SessionClock from './SessionClock.vue'
import Trademark from './Trademark.vue'
import { lazy } from '@/pieces/lazy'

const JumpLine = lazy(() => import('./JumpLine.vue'))
const KeyHelp = lazy(() => import('./KeyHelp.vue'))

const { data: me } = useMe()
const staff = computed(() => me.value?.kind === 'instructor' || me.value?.kind === 'assistant')
const places = computed<[path: string, name: string][]>(() => {
  if (staff.value)
    return [
      ['/floor', texts.floor],
      ['/hatch', common.hatch],
      ['/exercises', common.exercises],
      ['/marks', common.marks],
      ['/sums', texts.sums],
      ...(me.value?.kind === 'instructor' ? [['/set-up', texts.setUp] as [string, string]] : []),
    ]
  return me.value?.name
    ? [
        ['/my-bench', texts.myBench],
        ['/sums', texts.sums],
      ]
    : []
})
const route = useRoute()
keepCurrentInView(useTemplateRef<HTMLElement>('row'), () => [route.path, places.value])
const keysAsked = useOnce(() => keyHelp.value)
useKeys({ '?': { does: texts.listTheKeys, act: () => (keyHelp.value = true) } })
</script>

<template>
  <header id="bar" class="bar no-print flex items-center gap-1.5 min-h-12.5 px-5 bg-bar text-bar-ink">
    <RouterLink
      to="/"
      class="mark flex items-center gap-2 font-bold text-lg mr-4 text-inherit no-underline"
      :aria-label="texts.verifexFirstPage"
      ><Trademark /><span class="name">{{ common.verifex }}</span></RouterLink
    >
    <nav ref="row" :aria-label="texts.places">
      <RouterLink
        v-for="[path, name] in places"
        :key="path"
        :to="path"
        :class="{ 'router-link-active': route.path.startsWith(path) }"
        :aria-current="route.path.startsWith(path) ? 'page' : undefined"
        >{{ name }}</RouterLink
      >
    </nav>
    <JumpLine v-if="staff" class="jump" />
    <SessionClock v-if="staff" />
    <AccountMenu @keys="keyHelp = true" />
    <KeyHelp v-if="keysAsked" v-model:show="keyHelp" />
  </header>
</template>

<style scoped>
nav {
  display: flex;
  gap: 2px;
  flex: 1;
  min-width: 0;
  overflow-x: auto;
}
nav a {
  color: var(--bar-soft);
  text-decoration: none;
  padding: 7px 12px;
  border-radius: 5px;
  white-space: nowrap;
}
nav a:hover {
  color: var(--bar-ink);
}
nav a.router-link-active {
  color: #fff;
  background: var(--bar-here);
  box-shadow: inset 0 -2px 0 var(--bar-copper);
}
.bar :focus-visible {
  outline-color: var(--bar-warm);
  outline-offset: -2px;
}
@media (max-width: 1060px) {
  .bar {
    padding: 0 10px;
    flex-wrap: wrap;
  }
  .mark {
    margin-right: 6px;
  }
  .name {
    display: none;
  }
  nav {
    order: 5;
    flex: 1 0 100%;
    padding-bottom: 4px;
  }
  .bar :deep(.jump) {
    flex: 1;
    min-width: 0;
  }
  .bar :deep(.who) {
    margin-left: auto;
  }
}
@media (max-width: 520px) {
  .bar :deep(.clock) {
    display: none;
  }
}
</style>

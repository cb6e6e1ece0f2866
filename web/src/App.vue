<script setup lang="ts">
import { NConfigProvider } from 'naive-ui'
import { computed, watchEffect } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import LinkButton from '@/pieces/controls/LinkButton.vue'
import { FIELD_DATES } from '@texts/language'
import { app as texts } from '@texts/app'
import { loadSoon } from './pieces/lazy'
import { naiveOverrides, naiveTheme } from './look/theme'
import EmptyNote from '@/pieces/states/EmptyNote.vue'
import Invitations from '@/pieces/frame/Invitations.vue'
import Notices from '@/pieces/frame/Notices.vue'
import TopBar from '@/pieces/frame/TopBar.vue'
import { useMe } from './shared/me'

loadSoon(() => import('./pieces/dialog/DialogFrame.vue'))
const route = useRoute()
const { data: me } = useMe()
const bare = computed(() => ['log-in', 'feedback', 'first-start', 'join'].includes(String(route.name)))
// What only staff may see answers a pair with a refusal; it is told at once instead.
const router = useRouter()
// A first password, printed on paper, is changed before anything else; an empty installation asks for its first instructor.
watchEffect(() => {
  if (me.value?.change_password && route.name && !bare.value && route.name !== 'account')
    void router.replace({ name: 'account' })
  if (me.value?.first_start && route.name && route.name !== 'first-start')
    void router.replace({ name: 'first-start' })
})
const elsewhere = computed(() => route.meta.staff && me.value?.kind === 'pair')
</script>

<template>
  <NConfigProvider
    :theme="naiveTheme"
    :theme-overrides="naiveOverrides"
    :date-locale="FIELD_DATES"
    class="app"
  >
    <a class="skip absolute -left-250" href="#main">{{ texts.skipToContent }}</a>
    <TopBar v-if="!bare" />
    <Invitations />
    <main id="main" tabindex="-1">
      <EmptyNote v-if="elsewhere" :title="texts.forStaffOnly" :text="texts.whatIsYours">
        <LinkButton to="/my-bench">{{ texts.myBenchLink }}</LinkButton>
      </EmptyNote>
      <RouterView v-else />
    </main>
    <Notices />
  </NConfigProvider>
</template>

<style scoped>
.app {
  height: 100%;
  display: flex;
  flex-direction: column;
}
main {
  flex: 1;
  min-height: 0;
  outline: none;
}
.skip:focus {
  left: 12px;
  top: 12px;
  z-index: 10;
  background: var(--sheet);
  padding: 8px;
}
@media print {
  .app,
  main {
    height: auto;
  }
}
</style>

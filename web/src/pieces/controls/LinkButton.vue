<script setup lang="ts">
// A button that leads somewhere: a link for the browser, so that it opens in another tab too.
import { NButton } from 'naive-ui'
import { RouterLink, type RouteLocationRaw } from 'vue-router'

defineProps<{ to: RouteLocationRaw; type?: 'primary' | 'default'; ghost?: boolean; quaternary?: boolean }>()
</script>

<template>
  <RouterLink v-slot="{ href, navigate }" :to="to" custom>
    <NButton
      tag="a"
      :href="href"
      :type="type ?? 'primary'"
      :ghost="ghost"
      :quaternary="quaternary"
      @click="navigate"
      ><slot
    /></NButton>
  </RouterLink>
</template>

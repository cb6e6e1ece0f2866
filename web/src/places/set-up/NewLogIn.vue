<script setup lang="ts">
// A first password, shown this once: it is stored nowhere in clear.
import type { Schemas } from '@/api/client'
import Dialog from '@/pieces/Dialog.vue'

const fresh = defineModel<Schemas['NewLogInOut'] | null>({ required: true })
</script>

<template>
  <Dialog :show="!!fresh" title="Write this down" width="440px" @update:show="fresh = null">
    <template v-if="fresh">
      <p v-if="!fresh.password">
        {{ fresh.name }} logs in as before, with the log-in <b class="v">{{ fresh.log_in }}</b>.
      </p>
      <dl v-else>
        <dt>Name</dt>
        <dd>{{ fresh.name }}</dd>
        <dt>Log-in</dt>
        <dd class="v">{{ fresh.log_in }}</dd>
        <dt>First password</dt>
        <dd class="v">{{ fresh.password }}</dd>
      </dl>
      <p v-if="fresh.password" class="soft">It is shown this once, and changed at the first log-in.</p>
      <p><button class="btn" @click="fresh = null">Done</button></p>
    </template>
  </Dialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 6px 16px;
  margin: 0;
  font-size: 17px;
}
dt {
  color: var(--soft);
  font-size: 15px;
}
dd {
  margin: 0;
}
</style>

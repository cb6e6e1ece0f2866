<script setup lang="ts">
// The code that is shown on the wall, large, with a QR code of the address.
import { NFlex } from 'naive-ui'
import type { Schemas } from '@/api/client'
import Dialog from '@/pieces/dialog/Dialog.vue'
import { joinCode as texts } from '@texts/set-up-people'

defineProps<{ session: Schemas['SessionRowOut'] }>()
const show = defineModel<boolean>('show', { required: true })
const address = window.location.origin
</script>

<template>
  <Dialog v-model:show="show" :title="texts.heading" width="760px">
    <NFlex align="center" :size="28">
      <img :src="`/api/join/${session.code}/qr.svg`" :alt="texts.codeAlt" width="280" height="280" />
      <div>
        <p class="soft">{{ texts.openAddress }}</p>
        <p class="v text-xl wrap-anywhere mb-3">{{ texts.join(address) }}</p>
        <p class="soft">{{ texts.typeCode }}</p>
        <p class="v code">{{ session.code }}</p>
        <p class="soft">{{ session.section_name }}, {{ session.room_name }}</p>
      </div>
    </NFlex>
  </Dialog>
</template>

<style scoped>
img {
  background: #fff;
  border-radius: 8px;
  padding: 8px;
}
.code {
  font-size: 64px;
  font-weight: 640;
  letter-spacing: 0.08em;
  line-height: 1.1;
}
</style>

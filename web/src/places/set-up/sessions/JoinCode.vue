<script setup lang="ts">
// The code that is shown on the wall, large, with a QR code of the address.
import type { Schemas } from '@/api/client'
import Dialog from '@/pieces/dialog/Dialog.vue'
import { joinCode as texts } from '@texts/set-up-people'

defineProps<{ session: Schemas['SessionRowOut'] }>()
const show = defineModel<boolean>('show', { required: true })
const address = window.location.origin
</script>

<template>
  <Dialog v-model:show="show" :title="texts.toYourBench" width="760px">
    <div class="wall">
      <img
        :src="`/api/join/${session.code}/qr.svg`"
        :alt="texts.qrCodeOfTheAddress"
        width="280"
        height="280"
      />
      <div>
        <p class="soft">{{ texts.onYourOwnPhone }}</p>
        <p class="v address">{{ texts.join(address) }}</p>
        <p class="soft">{{ texts.andType }}</p>
        <p class="v code">{{ session.code }}</p>
        <p class="soft">{{ session.section_name }}, {{ session.room_name }}</p>
      </div>
    </div>
  </Dialog>
</template>

<style scoped>
.wall {
  display: flex;
  flex-wrap: wrap;
  gap: 28px;
  align-items: center;
}
img {
  background: #fff;
  border-radius: 8px;
  padding: 8px;
}
.address {
  font-size: 21px;
  overflow-wrap: anywhere;
  margin-bottom: 12px;
}
.code {
  font-size: 64px;
  font-weight: 640;
  letter-spacing: 0.08em;
  line-height: 1.1;
}
</style>

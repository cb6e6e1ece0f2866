<script setup lang="ts">
// A first password, shown this once: it is stored nowhere in clear.
import { NButton } from 'naive-ui'
import type { Schemas } from '@/api/client'
import Dialog from '@/pieces/dialog/Dialog.vue'
import Sentence from '@/pieces/Sentence.vue'
import { common } from '@texts/common'
import { newLogIn as texts } from '@texts/set-up-people'

const fresh = defineModel<Schemas['NewLogInOut'] | null>({ required: true })
</script>

<template>
  <Dialog
    :show="!!fresh"
    :title="texts.title(fresh?.invited ?? false)"
    width="440px"
    @update:show="fresh = null"
  >
    <template v-if="fresh">
      <p v-if="fresh.invited">
        <Sentence :text="texts.invited">
          <template #logIn
            ><b class="v">{{ fresh.log_in }}</b></template
          >
        </Sentence>
      </p>
      <p v-else-if="!fresh.password">
        <Sentence :text="texts.logs(fresh.name)">
          <template #logIn
            ><b class="v">{{ fresh.log_in }}</b></template
          >
        </Sentence>
      </p>
      <dl v-else class="grid grid-cols-[auto_minmax(0,1fr)] gap-y-1.5 gap-x-4 m-0 text-lg">
        <dt class="text-soft text-base">{{ common.name }}</dt>
        <dd class="m-0">{{ fresh.name }}</dd>
        <dt class="text-soft text-base">{{ common.logIn }}</dt>
        <dd class="v m-0">{{ fresh.log_in }}</dd>
        <dt class="text-soft text-base">{{ texts.firstPassword }}</dt>
        <dd class="v m-0">{{ fresh.password }}</dd>
      </dl>
      <p v-if="fresh.password" class="soft">{{ texts.shownOnce }}</p>
      <p>
        <NButton type="primary" @click="fresh = null">{{ texts.done }}</NButton>
      </p>
    </template>
  </Dialog>
</template>

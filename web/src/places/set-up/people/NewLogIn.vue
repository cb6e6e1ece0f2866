<script setup lang="ts">
// A first password, shown this once: it is stored nowhere in clear.
import { NButton, NDescriptionsItem } from 'naive-ui'
import type { Schemas } from '@/api/client'
import Dialog from '@/pieces/dialog/Dialog.vue'
import Facts from '@/pieces/lists/Facts.vue'
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
      <Facts v-else>
        <NDescriptionsItem :label="common.name">{{ fresh.name }}</NDescriptionsItem>
        <NDescriptionsItem :label="common.logIn"
          ><span class="v text-lg">{{ fresh.log_in }}</span></NDescriptionsItem
        >
        <NDescriptionsItem :label="texts.firstPassword"
          ><span class="v text-lg">{{ fresh.password }}</span></NDescriptionsItem
        >
      </Facts>
      <p v-if="fresh.password" class="soft">{{ texts.shownOnce }}</p>
      <p>
        <NButton type="primary" @click="fresh = null">{{ texts.done }}</NButton>
      </p>
    </template>
  </Dialog>
</template>

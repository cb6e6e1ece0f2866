<script setup lang="ts">
// The keys of what is on screen now, and the switch for those that are letters or digits.
import { NDescriptionsItem, NFlex, NSwitch } from 'naive-ui'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { keyHints, singleKeys } from '@/shared/keys'
import { common } from '@texts/common'
import { keyHelp as texts } from '@texts/pieces'
import Dialog from '@/pieces/dialog/Dialog.vue'
import Facts from '@/pieces/lists/Facts.vue'

const show = defineModel<boolean>('show', { required: true })
const NAMES: Record<string, string> = { ArrowDown: '↓', ArrowUp: '↑', ArrowLeft: '←', ArrowRight: '→' }
const route = useRoute()
const onFloor = computed(() => route.name === 'floor')
</script>

<template>
  <Dialog v-model:show="show" :title="texts.keysHere" width="420px">
    <Facts>
      <NDescriptionsItem v-for="hint in keyHints" :key="hint.key + hint.does">
        <template #label
          ><kbd>{{ NAMES[hint.key] ?? hint.key.toUpperCase() }}</kbd></template
        >
        {{ hint.does }}
      </NDescriptionsItem>
      <NDescriptionsItem v-if="onFloor">
        <template #label
          ><kbd>1</kbd>…<kbd>12</kbd> <kbd>{{ common.enter }}</kbd></template
        >
        {{ texts.openThatBench }}
      </NDescriptionsItem>
    </Facts>
    <NFlex :wrap="false" align="center">
      <NSwitch v-model:value="singleKeys" :aria-label="texts.lettersAndDigits" />
      <span>{{ texts.lettersAndDigits }}</span>
    </NFlex>
  </Dialog>
</template>

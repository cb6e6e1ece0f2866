<script setup lang="ts">
// The keys of what is on screen now, and the switch for those that are letters or digits.
import { NSwitch } from 'naive-ui'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { keyHints, singleKeys } from '@/shared/keys'
import { common } from '@texts/common'
import { keyHelp as texts } from '@texts/pieces'
import Dialog from '@/pieces/dialog/Dialog.vue'

const show = defineModel<boolean>('show', { required: true })
const NAMES: Record<string, string> = { ArrowDown: '↓', ArrowUp: '↑', ArrowLeft: '←', ArrowRight: '→' }
const route = useRoute()
const onFloor = computed(() => route.name === 'floor')
</script>

<template>
  <Dialog v-model:show="show" :title="texts.keysHere" width="420px">
    <dl class="grid grid-cols-[auto_1fr] gap-y-2 gap-x-4 m-0">
      <template v-for="hint in keyHints" :key="hint.key + hint.does">
        <dt>
          <kbd>{{ NAMES[hint.key] ?? hint.key.toUpperCase() }}</kbd>
        </dt>
        <dd class="m-0">{{ hint.does }}</dd>
      </template>
      <template v-if="onFloor">
        <dt>
          <kbd>1</kbd>…<kbd>12</kbd> <kbd>{{ common.enter }}</kbd>
        </dt>
        <dd class="m-0">{{ texts.openThatBench }}</dd>
      </template>
    </dl>
    <NSwitch v-model:value="singleKeys" :aria-label="texts.lettersAndDigits" />
    <span>{{ texts.lettersAndDigits }}</span>
  </Dialog>
</template>

<style scoped>
.switch {
  display: flex;
  gap: 10px;
  align-items: center;
  border-top: 1px solid var(--line);
  padding-top: 12px;
}
</style>

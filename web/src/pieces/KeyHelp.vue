<script setup lang="ts">
import { NModal } from 'naive-ui'
import { keyHints } from '@/shared/keys'

defineProps<{ show: boolean }>()
defineEmits<{ 'update:show': [boolean] }>()
</script>

<template>
  <NModal :show="show" @update:show="$emit('update:show', $event)">
    <section class="sheet keys" role="dialog" aria-label="Keys" aria-modal="true">
      <h2>Keys here</h2>
      <dl>
        <template v-for="hint in keyHints" :key="hint.key + hint.does">
          <dt>
            <kbd>{{ hint.key }}</kbd>
          </dt>
          <dd>{{ hint.does }}</dd>
        </template>
        <dt><kbd>1</kbd>…<kbd>12</kbd> <kbd>Enter</kbd></dt>
        <dd>on the Floor: open that bench</dd>
      </dl>
    </section>
  </NModal>
</template>

<style scoped>
.keys {
  padding: 20px 26px;
  min-width: 320px;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 8px 16px;
  margin: 14px 0 0;
}
dd {
  margin: 0;
}
</style>

<script setup lang="ts">
// The line to go somewhere: `/`, a few letters of a pair, a student, a bench number, a kit or an exercise, Enter.
import {
  ComboboxAnchor,
  ComboboxContent,
  ComboboxEmpty,
  ComboboxInput,
  ComboboxItem,
  ComboboxRoot,
} from 'reka-ui'
import { computed, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { usePairs } from '@/queries/floor'
import { useKits } from '@/queries/stores'
import { bestMatches, type Target } from '@/shared/jump'
import { useKeys } from '@/shared/keys'
import { useSession } from '@/shared/me'
import { common } from '@texts/common'
import { jumpLine as texts } from '@texts/pieces'

const router = useRouter()
const { session } = useSession()
const typed = ref('')
const open = ref(false)
const field = useTemplateRef<{ $el: HTMLInputElement }>('field')
const pairs = usePairs(
  computed(() => session.value?.id),
  open,
)
const kits = useKits({ enabled: open })

const targets = computed<Target[]>(() => [
  ...(pairs.data.value ?? []).map((pair) => ({
    label: `${pair.bench ?? ''} ${pair.pair}`.trim(),
    hint: pair.members.join(', '),
    to: pair.docket ? `/dockets/${pair.docket}` : '/hatch',
  })),
  ...(kits.data.value ?? []).map((kit) => ({
    label: kit.tag,
    hint: kit.holder || kit.state,
    to: `/hatch?kit=${kit.tag}`,
  })),
  { label: common.exercises, hint: texts.sheetsAndSteps, to: '/exercises' },
  { label: common.marks, hint: texts.ofTheClass, to: '/marks' },
])
const found = computed(() => bestMatches(targets.value, typed.value))
const loading = computed(() => pairs.isLoading.value || kits.isLoading.value)

async function go(target: unknown) {
  open.value = false
  typed.value = ''
  field.value?.$el.blur()
  if (target) await router.push((target as Target).to)
}

useKeys({
  '/': {
    does: texts.whatToType,
    act: () => {
      open.value = true
      // At once, so that no letter typed right behind the key is lost.
      field.value?.$el.focus()
    },
  },
})
</script>

<template>
  <ComboboxRoot
    v-model:open="open"
    class="jump"
    :model-value="undefined"
    ignore-filter
    open-on-focus
    :reset-search-term-on-blur="false"
    @update:model-value="go"
  >
    <ComboboxAnchor class="anchor">
      <kbd aria-hidden="true">/</kbd>
      <ComboboxInput
        ref="field"
        v-model="typed"
        :aria-label="texts.label"
        :placeholder="texts.placeholder"
        autocomplete="off"
        @keydown.esc="field?.$el.blur()"
      />
    </ComboboxAnchor>
    <ComboboxContent
      class="sheet menu list"
      position="popper"
      align="start"
      :side-offset="6"
      :body-lock="false"
    >
      <ComboboxItem v-for="target in found" :key="target.label" :value="target" class="entry">
        <b>{{ target.label }}</b> <span class="soft">{{ target.hint }}</span>
      </ComboboxItem>
      <ComboboxEmpty class="none soft">{{ loading ? texts.loading : texts.nothingByThese }}</ComboboxEmpty>
    </ComboboxContent>
  </ComboboxRoot>
</template>

<style scoped>
.anchor {
  display: flex;
  align-items: center;
  gap: 8px;
  background: var(--bar-here);
  border: 1px solid var(--bar-line);
  border-radius: 5px;
  padding: 0 10px;
  width: 272px;
  max-width: 100%;
  color: var(--bar-soft);
}
.anchor:focus-within {
  outline: 2.5px solid var(--bar-warm);
}
@media (max-width: 1060px) {
  .anchor {
    width: 100%;
  }
}
input {
  font: inherit;
  font-size: 14px;
  background: none;
  border: 0;
  color: #fff;
  padding: 6px 0;
  flex: 1;
  min-width: 0;
  outline: none;
  text-overflow: ellipsis;
}
input::placeholder {
  color: var(--bar-soft);
  opacity: 1;
}
</style>
<style src="./menu.css"></style>
<style>
.menu.list {
  width: 320px;
}
.menu.list .none {
  padding: 8px 10px;
}
</style>

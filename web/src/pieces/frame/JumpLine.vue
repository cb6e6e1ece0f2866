<script setup lang="ts">
// The line to go somewhere: `/`, a few letters of a pair, a student, a bench number, a kit or an exercise, Enter.
import { NAutoComplete } from 'naive-ui'
import { computed, ref, useId, useTemplateRef, type VNodeChild, h } from 'vue'
import { useRouter } from 'vue-router'
import { pointAtOption } from '@/pieces/fields/active-option'
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
const line = useTemplateRef<InstanceType<typeof NAutoComplete>>('line')
const list = useId()
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
  { label: common.marks, hint: texts.marksHint, to: '/marks' },
])
const found = computed(() => bestMatches(targets.value, typed.value))
const loading = computed(() => pairs.isLoading.value || kits.isLoading.value)

const options = computed(() => found.value.map((one) => ({ ...one, value: one.label })))
const worded = (option: unknown): VNodeChild => {
  const { label, hint } = option as Target
  return [h('b', label), ' ', h('span', { class: 'soft' }, hint)]
}
const control = () => (line.value?.$el as HTMLElement | undefined)?.querySelector('input')
/** The list of what is found, with the roles that the library leaves out. */
const menu = computed(() => ({
  id: list,
  role: options.value.length ? 'listbox' : undefined,
  'aria-label': texts.label,
  style: { width: '400px', maxWidth: '92vw' },
  virtualScroll: false,
  nodeProps: (option: unknown) => ({
    id: `${list}-${options.value.indexOf(option as never)}`,
    role: 'option',
  }),
}))
const field = computed(() => ({
  role: 'combobox',
  'aria-label': texts.label,
  'aria-expanded': open.value,
  'aria-controls': open.value ? list : undefined,
  autocomplete: 'off',
}))

async function go(label: string | number) {
  const target = targets.value.find((one) => one.label === label)
  if (target) await router.push(target.to)
}

useKeys({
  '/': {
    does: texts.whatToType,
    act: () => {
      // At once, so that no letter typed right behind the key is lost.
      line.value?.focus()
    },
  },
})
</script>

<template>
  <NAutoComplete
    ref="line"
    class="jump"
    :value="typed"
    :options="options"
    :get-show="() => true"
    show-empty
    clear-after-select
    blur-after-select
    placement="bottom-start"
    to="#bar"
    :placeholder="texts.placeholder"
    :input-props="field"
    :menu-props="menu as object"
    :render-label="worded"
    @update:value="typed = $event ?? ''"
    @focus="open = true"
    @blur="open = false"
    @select="go"
    @keydown="pointAtOption(control(), list)"
    @keydown.esc="line?.blur()"
  >
    <template #prefix><kbd class="mr-2 text-bar-soft" aria-hidden="true">/</kbd></template>
    <template #empty
      ><span class="soft">{{ loading ? texts.loading : texts.nothingByThese }}</span></template
    >
  </NAutoComplete>
</template>

<style scoped>
.jump {
  width: 272px;
  max-width: 100%;
}
.jump :deep(.n-input) {
  background: var(--bar-here);
  color: var(--bar-soft);
}
.jump :deep(input) {
  color: #fff;
  caret-color: #fff;
}
.jump :deep(.n-input__placeholder) {
  color: var(--bar-soft);
}
.jump :deep(.n-input__border) {
  border-color: var(--bar-line);
}
.jump :deep(.n-input__state-border) {
  --n-border-focus: 1px solid var(--bar-warm);
}
@media (max-width: 1060px) {
  .jump {
    width: 100%;
  }
}
</style>

<script setup lang="ts">
// The command line: `/`, a few letters of a pair, a bench number, a kit or an exercise, Enter.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { ask, client } from '@/api/client'
import { useKeys } from '@/shared/keys'
import { useSession } from '@/shared/me'

const router = useRouter()
const { session } = useSession()
const typed = ref('')
const open = ref(false)
const at = ref(0)
const field = useTemplateRef<HTMLInputElement>('field')

const floor = useQuery({
  queryKey: ['floor', computed(() => session.value?.id)],
  queryFn: () =>
    ask(
      client.GET('/api/sessions/{session_id}/floor', { params: { path: { session_id: session.value!.id } } }),
    ),
  enabled: computed(() => open.value && !!session.value),
})
const kits = useQuery({ queryKey: ['kits'], queryFn: () => ask(client.GET('/api/kits')), enabled: open })

interface Target {
  label: string
  hint: string
  to: string
}
const targets = computed<Target[]>(() => [
  ...(floor.data.value?.benches ?? []).map((bench) => ({
    label: `${bench.bench} ${bench.pair}`,
    hint: bench.line,
    to: bench.docket ? `/dockets/${bench.docket}` : '/hatch',
  })),
  ...(kits.data.value ?? []).map((kit) => ({
    label: kit.tag,
    hint: kit.holder || kit.state,
    to: `/hatch?kit=${kit.tag}`,
  })),
  { label: 'Exercises', hint: 'sheets and steps', to: '/exercises' },
  { label: 'Marks', hint: 'the class sheet', to: '/marks' },
])
const found = computed(() => {
  const letters = typed.value.toLowerCase().split(/\s+/).filter(Boolean)
  const hits = targets.value.filter((t) => letters.every((w) => t.label.toLowerCase().includes(w)))
  // A word that begins with the letters comes before one that only contains them.
  const begins = (t: Target) =>
    letters.every((w) =>
      t.label
        .toLowerCase()
        .split(/[\s·]+/)
        .some((part) => part.startsWith(w)),
    )
  return [...hits.filter(begins), ...hits.filter((t) => !begins(t))].slice(0, 8)
})

async function go(target: Target | undefined) {
  if (!target) return
  open.value = false
  typed.value = ''
  field.value?.blur()
  await router.push(target.to)
}

useKeys({
  '/': {
    does: 'jump to a pair, kit or exercise',
    act: () => {
      open.value = true
      // At once, so that no letter typed right behind the key is lost.
      field.value?.focus()
    },
  },
})
</script>

<template>
  <div class="jump">
    <kbd aria-hidden="true">/</kbd>
    <input
      ref="field"
      v-model="typed"
      type="text"
      role="combobox"
      aria-label="Go to a pair, kit or exercise"
      aria-controls="jump-list"
      :aria-expanded="open"
      placeholder="go to a pair, kit or exercise"
      @focus="open = true"
      @blur="open = false"
      @input="at = 0"
      @keydown.down.prevent="at = Math.min(at + 1, found.length - 1)"
      @keydown.up.prevent="at = Math.max(at - 1, 0)"
      @keydown.enter.prevent="go(found[at])"
      @keydown.esc="field?.blur()"
    />
    <ul v-if="open" id="jump-list" role="listbox" class="sheet">
      <li
        v-for="(target, index) in found"
        :key="target.label"
        role="option"
        :aria-selected="index === at"
        @mousedown.prevent="go(target)"
      >
        <b>{{ target.label }}</b> <span class="soft">{{ target.hint }}</span>
      </li>
      <li v-if="!found.length" class="soft">Nothing by these letters.</li>
    </ul>
  </div>
</template>

<style scoped>
.jump {
  position: relative;
  display: flex;
  align-items: center;
  gap: 8px;
  background: #2b3040;
  border: 1px solid #6d7488;
  border-radius: 5px;
  padding: 0 10px;
  width: 272px;
  color: #c3c7d2;
}
input {
  font: inherit;
  font-size: 14px;
  background: none;
  border: 0;
  color: #fff;
  padding: 6px 0;
  flex: 1;
  outline: none;
}
input::placeholder {
  color: #c3c7d2;
  opacity: 1;
}
.jump:focus-within {
  outline: 2.5px solid #e9c7a9;
}
ul {
  position: absolute;
  top: 38px;
  left: 0;
  right: 0;
  z-index: 20;
  margin: 0;
  padding: 6px;
  list-style: none;
  color: var(--ink);
}
li {
  padding: 6px 8px;
  border-radius: 4px;
  cursor: pointer;
  font-size: 14px;
}
li[aria-selected='true'] {
  background: var(--act-bg);
}
</style>

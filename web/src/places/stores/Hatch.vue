<script setup lang="ts">
// The hatch: scan or type a kit's tag and a pair's badge. A scanner just types, and ends with Enter.
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, onMounted, ref, useTemplateRef } from 'vue'
import { useRoute } from 'vue-router'
import { ask, client } from '@/api/client'
import ChoiceBar from '@/pieces/ChoiceBar.vue'
import ErrorNote from '@/pieces/ErrorNote.vue'
import { useSession } from '@/shared/me'
import KitTable from './KitTable.vue'
import Substitute from './Substitute.vue'

const { session } = useSession()
const queries = useQueryClient()
const route = useRoute()
const act = ref<'out' | 'back' | 'instead'>('out')
const tag = ref(String(route.query.kit ?? ''))
const badge = ref('')
const faults = ref('')
const part = ref('R1')
const value = ref('')
const reason = ref('')
const said = ref('')
const error = ref<unknown>(null)
const busy = ref(false)
const tagField = useTemplateRef<HTMLInputElement>('tagField')
const badgeField = useTemplateRef<HTMLInputElement>('badgeField')

const { data: kits } = useQuery({
  queryKey: ['kits'],
  queryFn: () => ask(client.GET('/api/kits')),
  refetchInterval: 5000,
})
const floor = useQuery({
  queryKey: ['floor', computed(() => session.value?.id)],
  queryFn: () =>
    ask(
      client.GET('/api/sessions/{session_id}/floor', { params: { path: { session_id: session.value!.id } } }),
    ),
  enabled: computed(() => !!session.value),
})
const kit = computed(
  () => kits.value?.find((k) => k.tag.toLowerCase() === tag.value.trim().toLowerCase()) ?? null,
)
const waiting = computed(() => floor.data.value?.benches.filter((b) => !b.docket) ?? [])
onMounted(() => tagField.value?.focus())

async function send() {
  if (busy.value) return
  busy.value = true
  error.value = null
  said.value = ''
  try {
    said.value = (await call()).message
    await Promise.all([
      queries.invalidateQueries({ queryKey: ['kits'] }),
      queries.invalidateQueries({ queryKey: ['advice'] }),
      queries.invalidateQueries({ queryKey: ['floor'] }),
    ])
    ;[tag.value, badge.value, faults.value, value.value, reason.value] = ['', '', '', '', '']
    await nextTick()
    tagField.value?.focus()
  } catch (wrong) {
    error.value = wrong
  } finally {
    busy.value = false
  }
}
function call(): Promise<{ message: string }> {
  if (act.value === 'out') {
    return ask(
      client.POST('/api/hatch/hand-out', {
        body: { session: session.value!.id, tag: tag.value, badge: badge.value },
      }),
    )
  }
  if (act.value === 'back') {
    const list = faults.value.split('\n').filter((f) => f.trim())
    return ask(client.POST('/api/hatch/take-back', { body: { tag: tag.value, faults: list } }))
  }
  return ask(
    client.POST('/api/hatch/substitute', {
      body: { tag: tag.value, ref: part.value, value: value.value, reason: reason.value },
    }),
  )
}
function afterTag(event: KeyboardEvent) {
  if (act.value !== 'out' || badge.value) return
  event.preventDefault()
  badgeField.value?.focus()
}
function choose(name: string) {
  tag.value = name
  const row = kits.value?.find((k) => k.tag === name)
  if (row?.state !== 'out') act.value = 'out'
  else if (act.value === 'out') act.value = 'back'
  void nextTick(() => (act.value === 'out' ? badgeField.value : tagField.value)?.focus())
}
</script>

<template>
  <div class="page">
    <section class="desk" aria-label="Hatch">
      <h1>Hatch</h1>
      <ChoiceBar
        v-model="act"
        label="What to do"
        :choices="[
          { value: 'out', word: 'Hand out' },
          { value: 'back', word: 'Take back' },
          { value: 'instead', word: 'Substitute' },
        ]"
      />
      <form class="sheet" @submit.prevent="send">
        <div>
          <label class="field-label" for="tag">Kit, its tag</label>
          <input
            id="tag"
            ref="tagField"
            v-model="tag"
            class="field v big"
            placeholder="HB-15"
            autocomplete="off"
            required
            @keydown.enter="afterTag"
          />
          <p v-if="kit && act === 'out'" :class="kit.state === 'ready' ? 'ready' : 'held'">
            {{
              kit.state === 'ready'
                ? `${kit.tag} is complete: ${kit.parts.map((p) => p.title).join(', ')}.`
                : kit.reason
            }}
          </p>
          <p v-else-if="kit && kit.holder" class="soft">With {{ kit.holder }}.</p>
        </div>
        <div v-if="act === 'out'">
          <label class="field-label" for="badge">Pair, its badge or name</label>
          <input
            id="badge"
            ref="badgeField"
            v-model="badge"
            class="field v big"
            list="badges"
            placeholder="P-07"
            autocomplete="off"
            required
          />
          <datalist id="badges">
            <option v-for="bench in waiting" :key="bench.bench" :value="bench.badge">{{ bench.pair }}</option>
          </datalist>
        </div>
        <div v-if="act === 'back'">
          <label class="field-label" for="faults">Faults found, a line each (none: leave empty)</label>
          <textarea id="faults" v-model="faults" class="field" rows="3" placeholder="thermometer leg bent" />
          <p class="soft">
            Was its supply reversed, or a light driven without a resistor? Test that part first.
          </p>
        </div>
        <Substitute
          v-if="act === 'instead'"
          v-model:part="part"
          v-model:value="value"
          v-model:reason="reason"
          :tag="kit?.tag ?? ''"
        />
        <ErrorNote :error="error" />
        <p v-if="said" class="ready" role="status">{{ said }}</p>
        <button class="btn" :disabled="busy || !session">
          {{ act === 'out' ? 'Hand out' : act === 'back' ? 'Take back' : 'Record the substitution' }}
          <kbd>Enter</kbd>
        </button>
      </form>
    </section>
    <KitTable :kits="kits ?? []" :chosen="kit?.tag ?? ''" @choose="choose" />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: 380px 1fr;
  gap: 24px;
  padding: 18px 20px;
}
.desk {
  display: grid;
  gap: 12px;
  align-content: start;
}
form {
  display: grid;
  gap: 14px;
  padding: 18px;
}
.big {
  font-size: 19px;
}
.ready {
  color: var(--good);
}
.held {
  color: var(--stop);
}
.btn {
  justify-content: center;
}
@media (max-width: 900px) {
  .page {
    grid-template-columns: 1fr;
  }
}
</style>

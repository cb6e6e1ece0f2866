<script setup lang="ts">
// A pair in a session: its bench by number, its exercise, who of it is away.
import { NCheckbox } from 'naive-ui'
import { reactive, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import ChoiceField from '@/pieces/fields/ChoiceField.vue'
import TextField from '@/pieces/fields/TextField.vue'
import { placeRow as texts } from '@texts/set-up-sessions'

const props = defineProps<{
  place: Schemas['PlaceOut']
  exercises: Schemas['PlannedOut'][]
  others: Schemas['PlaceOut'][]
  busy: boolean
  /** Why the last act was refused, if it was. */
  refused: unknown
}>()
const nobody: number | null = null
const emit = defineEmits<{
  seat: [bench: number | null]
  assign: [exercise: number | null]
  absent: [user: number, away: boolean]
  join: [user: number, pair: number]
}>()
const bench = ref(String(props.place.bench ?? ''))
/** A tick shows at once; what the server holds replaces it with its answer. */
const ticked = reactive(new Map<number, boolean>())
const isAway = (user: number) => ticked.get(user) ?? props.place.absent.includes(user)
watch(
  () => props.place,
  () => ticked.clear(),
)
watch(
  () => props.refused,
  (refused) => refused && ticked.clear(),
)
function tick(user: number, away: boolean) {
  ticked.set(user, away)
  emit('absent', user, away)
}
const asItIs = () => (bench.value = String(props.place.bench ?? ''))
// After every act, a refused one too: what is shown is what is so.
watch([() => props.place.bench, () => props.busy], asItIs)
/** An empty field takes the seat away; what is no number changes nothing. */
function move() {
  const typed = bench.value.trim()
  if (typed && !/^[1-9]\d{0,2}$/.test(typed)) return asItIs()
  const wanted = typed ? Number(typed) : null
  if (wanted !== props.place.bench) emit('seat', wanted)
}
</script>

<template>
  <tr>
    <td>
      <TextField
        v-model="bench"
        class="bench"
        inputmode="numeric"
        :aria-label="texts.benchOf(place.name)"
        figures
        @change="move"
      />
    </td>
    <td>
      <b>{{ place.name }}</b> <span class="v soft">{{ place.badge }}</span>
    </td>
    <td>
      <span v-if="place.docket !== null">
        <RouterLink :to="`/dockets/${place.docket}`">{{
          exercises.find((e) => e.id === place.exercise)?.title ?? texts.docket
        }}</RouterLink>
      </span>
      <ChoiceField
        v-else-if="exercises.length"
        :model-value="place.exercise ?? null"
        :disabled="busy"
        :aria-label="texts.exerciseOf(place.name)"
        :options="[
          { value: null, label: texts.byKit },
          ...exercises.map((one) => ({ value: one.id, label: one.title })),
        ]"
        @update:model-value="emit('assign', $event)"
      />
      <span v-else class="soft">{{ texts.byKit }}</span>
    </td>
    <td class="away">
      <NCheckbox
        v-for="member in place.members"
        :key="member.user"
        :checked="isAway(member.user)"
        :disabled="busy"
        :aria-disabled="busy"
        @update:checked="tick(member.user, $event)"
        >{{ member.name }}</NCheckbox
      >
      <!-- Whoever is left alone may work with another pair today. -->
      <ChoiceField
        v-for="member in place.absent.length
          ? place.members.filter((m) => !place.absent.includes(m.user))
          : []"
        :key="`join-${member.user}`"
        class="joins"
        :model-value="nobody"
        :disabled="busy"
        :aria-label="texts.worksWith(member.name)"
        :options="[
          { value: null, label: texts.worksAlone(member.name) },
          ...others.map((pair) => ({ value: pair.pair, label: texts.joins(pair.name) })),
        ]"
        @update:model-value="$event && emit('join', member.user, $event)"
      />
      <span v-for="guest in place.guests" :key="guest.user" class="soft">{{
        texts.withToday(guest.name)
      }}</span>
    </td>
  </tr>
</template>

<style scoped>
.bench {
  width: 64px;
}
.joins {
  width: auto;
  max-width: 260px;
}
.away .n-checkbox {
  margin-right: 12px;
  white-space: nowrap;
}
</style>

<script setup lang="ts">
// A pair in a session: its bench by number, its exercise, who of it is away.
import { ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { placeRow as texts } from '@texts/set-up-sessions'

const props = defineProps<{
  place: Schemas['PlaceOut']
  exercises: Schemas['PlannedOut'][]
  others: Schemas['PlaceOut'][]
  busy: boolean
}>()
const emit = defineEmits<{
  seat: [bench: number | null]
  assign: [exercise: number | null]
  absent: [user: number, away: boolean]
  join: [user: number, pair: number]
}>()
const bench = ref(String(props.place.bench ?? ''))
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
      <input
        v-model="bench"
        class="field v bench"
        inputmode="numeric"
        :aria-label="texts.benchOf(place.name)"
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
      <select
        v-else-if="exercises.length"
        class="field"
        :value="place.exercise ?? ''"
        :disabled="busy"
        :aria-label="texts.exerciseOf(place.name)"
        @change="emit('assign', Number(($event.target as HTMLSelectElement).value) || null)"
      >
        <option value="">{{ texts.theKitDecides }}</option>
        <option v-for="one in exercises" :key="one.id" :value="one.id">{{ one.title }}</option>
      </select>
      <span v-else class="soft">{{ texts.theKitDecides }}</span>
    </td>
    <td class="away">
      <label v-for="member in place.members" :key="member.user">
        <input
          type="checkbox"
          :checked="place.absent.includes(member.user)"
          :disabled="busy"
          @change="emit('absent', member.user, ($event.target as HTMLInputElement).checked)"
        />
        {{ member.name }}
      </label>
      <!-- Whoever is left alone may work with another pair today. -->
      <select
        v-for="member in place.absent.length
          ? place.members.filter((m) => !place.absent.includes(m.user))
          : []"
        :key="`join-${member.user}`"
        class="field joins"
        :value="''"
        :disabled="busy"
        :aria-label="texts.worksWith(member.name)"
        @change="emit('join', member.user, Number(($event.target as HTMLSelectElement).value))"
      >
        <option value="">{{ texts.worksAlone(member.name) }}</option>
        <option v-for="pair in others" :key="pair.pair" :value="pair.pair">
          {{ texts.joins(pair.name) }}
        </option>
      </select>
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
.away label {
  display: inline-flex;
  gap: 5px;
  margin-right: 12px;
  white-space: nowrap;
}
</style>

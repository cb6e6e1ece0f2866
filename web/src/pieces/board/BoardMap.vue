<script setup lang="ts">
// A map to hold against the real board: traces and labelled blocks, drawn from the hand-in.
import { useMediaQuery } from '@vueuse/core'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { isDark } from '@/look/theme'
import { boardMap as texts } from '@texts/pieces'
import { wireColour } from './colours'
import { layOut } from './layout'
import { CHIP, COL, holeX, LABEL, railX, readPlace, X } from './places'

const props = defineProps<{
  bench: Schemas['BenchOut']
  lit?: Schemas['WhereOut'] | null
  severity?: string
}>()
const emit = defineEmits<{ choosePart: [ref: string] }>()

const map = computed(() => layOut(props.bench))
// On a phone a half with nothing in it makes room for the other.
const isNarrow = useMediaQuery('(max-width: 700px)')
const width = computed(() => (isNarrow.value && !map.value.usesRight ? X.ditch + LABEL + 3 : X.width))
const dark = isDark
const litParts = computed(() => new Set(props.lit?.parts ?? []))
const litStrips = computed(() => {
  const strips = new Set<string>()
  for (const text of props.lit?.places ?? []) {
    const place = readPlace(text)
    if (place.kind === 'hole') strips.add(`${place.row}${holeX(place.letter!) < X.ditch ? 'L' : 'R'}`)
    if (place.kind === 'rail') strips.add(place.rail!)
  }
  return strips
})
const litPlaces = computed(() => new Set(props.lit?.places ?? []))
const RAILS = ['+L', '-L', '+R', '-R']
const SIDES = [
  { side: 'L', x: X.holesLeft },
  { side: 'R', x: X.holesRight },
]
function isLitLead(ends: [string, string]): boolean {
  return ends.some((end) => litPlaces.value.has(end))
}
</script>

<template>
  <figure class="map" :class="severity">
    <svg
      class="w-full block"
      :viewBox="`0 0 ${width} ${map.height}`"
      role="group"
      :aria-label="texts.label(bench.parts.length, bench.wires.length)"
    >
      <g v-for="rail in RAILS" :key="rail">
        <rect
          v-for="[from, to] in map.rails"
          :key="from"
          :x="railX(rail) - 6"
          :y="from"
          width="12"
          :height="to - from"
          rx="6"
          class="rail"
          :class="{ lit: litStrips.has(rail) }"
        />
        <text v-if="map.rails.length" :x="railX(rail)" y="17" class="railname">
          {{ rail.replace('-', '−') }}
        </text>
      </g>
      <template v-for="band in map.bands" :key="band.y">
        <g v-if="band.kind === 'row'">
          <template v-for="{ side, x } in SIDES" :key="side">
            <rect
              :x="x - 10"
              :y="band.y - 9"
              :width="4 * COL + 20"
              height="18"
              rx="9"
              class="strip"
              :class="{ lit: litStrips.has(`${band.row}${side}`) }"
            />
            <circle v-for="n in 5" :key="n" :cx="x + (n - 1) * COL" :cy="band.y" r="1.9" class="hole" />
          </template>
        </g>
        <text v-else :x="X.holesLeft - 15" :y="band.y + 4" class="fold">
          <title>{{ texts.nothingInThese }}</title>
          {{ band.from === band.to ? band.from : `${band.from}–${band.to}` }}
        </text>
      </template>

      <g v-for="lead in map.leads" :key="lead.index" class="lead" :class="{ lit: isLitLead(lead.ends) }">
        <title>
          {{ texts.line(lead.ends.join(' – '), lead.colour ? `, ${lead.colour}` : '', lead.line) }}
        </title>
        <polyline :points="lead.points.map((p) => p.join(',')).join(' ')" class="halo" />
        <polyline
          :points="lead.points.map((p) => p.join(',')).join(' ')"
          :style="{ stroke: wireColour(lead.colour, dark) }"
        />
        <circle
          :cx="lead.points.at(-1)![0]"
          :cy="lead.points.at(-1)![1]"
          r="4"
          :style="{ fill: wireColour(lead.colour, dark) }"
        />
        <circle
          :cx="lead.points[0]![0]"
          :cy="lead.points[0]![1]"
          r="4"
          :style="{ fill: wireColour(lead.colour, dark) }"
        />
      </g>

      <g
        v-for="block in map.blocks"
        :key="block.ref"
        class="part cursor-pointer"
        :class="{ lit: litParts.has(block.ref) }"
        @click="emit('choosePart', block.ref)"
      >
        <rect v-if="block.outline" v-bind="block.outline" rx="7" class="body" />
        <polyline v-else :points="block.spine.map((p) => p.join(',')).join(' ')" class="spine" />
        <circle v-for="leg in block.legs" :key="leg.leg" :cx="leg.x" :cy="leg.y" r="5" class="foot">
          <title>{{ texts.legPlace(block.ref, leg.leg, leg.place) }}</title>
        </circle>
      </g>
      <g
        v-for="block in map.blocks"
        :key="`l${block.ref}`"
        class="part cursor-pointer"
        :class="{ lit: litParts.has(block.ref) }"
        tabindex="0"
        role="button"
        :aria-label="`${block.ref}, ${block.title}`"
        @click="emit('choosePart', block.ref)"
        @keydown.enter="emit('choosePart', block.ref)"
      >
        <title>{{ block.ref }}: {{ block.title }}</title>
        <line :x1="block.from.x" :y1="block.from.y" :x2="block.label.x" :y2="block.label.y" class="leader" />
        <rect :x="block.label.x" :y="block.label.y - 10" :width="LABEL" height="20" rx="3" class="name" />
        <text :x="block.label.x + LABEL / 2" :y="block.label.y + 4.5" class="nametext">{{ block.ref }}</text>
      </g>

      <template v-for="band in map.bands" :key="`n${band.y}`">
        <template v-if="band.kind === 'row'">
          <text :x="X.holesLeft - 15" :y="band.y + 4" class="rowname">{{ band.row }}</text>
          <text :x="X.holesRight - 15" :y="band.y + 4" class="rowname">{{ band.row }}</text>
        </template>
      </template>

      <g v-for="chip in map.chips" :key="`${chip.text}${chip.y}${chip.x}`" class="chip">
        <rect :x="chip.x" :y="chip.y - 10" :width="CHIP" height="20" rx="3" />
        <text :x="chip.x + CHIP / 2" :y="chip.y + 4.5">{{ chip.text }}</text>
      </g>

      <g
        v-for="flyer in map.flyers"
        :key="flyer.ref"
        class="block"
        :class="{ lit: litParts.has(flyer.ref) }"
        tabindex="0"
        role="button"
        :aria-label="`${flyer.ref}, ${flyer.title}`"
        @click="emit('choosePart', flyer.ref)"
        @keydown.enter="emit('choosePart', flyer.ref)"
      >
        <g v-for="leg in flyer.legs" :key="`${leg.leg}${leg.y}`" class="chip">
          <polyline
            :points="`${X.chipLeft + CHIP},${leg.y} ${X.holesLeft},${leg.y} ${X.ditch},${flyer.y}`"
            class="flight"
          />
          <rect :x="X.chipLeft" :y="leg.y - 10" :width="CHIP" height="20" rx="3" />
          <text :x="X.chipLeft + CHIP / 2" :y="leg.y + 4.5">{{ leg.to }}</text>
          <text :x="X.holesLeft - 6" :y="leg.y - 4" class="legname">{{ leg.leg }}</text>
        </g>
        <rect :x="X.ditch" :y="flyer.y - 10" :width="LABEL" height="20" rx="3" class="name" />
        <text :x="X.ditch + LABEL / 2" :y="flyer.y + 4.5" class="nametext">{{ flyer.ref }}</text>
        <text :x="X.ditch + LABEL + 10" :y="flyer.y + 4.5" class="title">{{ flyer.title }}</text>
      </g>
    </svg>
  </figure>
</template>

<style scoped>
.map {
  margin: 0;
  --hit: var(--act);
}
.map.stop {
  --hit: var(--stop);
}
.map.fix {
  --hit: var(--fix);
}
.map.check {
  --hit: var(--check);
}
.rail {
  fill: var(--sunk);
  stroke: var(--line);
}
.railname {
  font: 600 13px var(--mono);
  fill: var(--soft);
  text-anchor: middle;
}
.strip {
  fill: none;
  stroke: var(--line);
}
.strip.lit,
.rail.lit {
  fill: var(--lit);
  stroke: var(--hit);
  stroke-width: 2;
}
.hole {
  fill: var(--pad);
  opacity: 0.55;
}
.rowname {
  font: 11px var(--mono);
  fill: var(--soft);
  text-anchor: end;
  /* The number stays readable where a wire passes under it. */
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}
.fold {
  font: 11px var(--mono);
  fill: var(--faint);
  text-anchor: end;
}
.body {
  fill: var(--ink);
  fill-opacity: 0.14;
  stroke: var(--ink);
  stroke-width: 2;
}
.part.lit .body {
  fill: var(--hit);
  stroke: var(--hit);
}
.flight {
  fill: none;
  stroke: var(--soft);
  stroke-width: 2;
}
.part.lit .flight {
  stroke: var(--hit);
}
.chip .legname {
  font: 11.5px var(--mono);
  fill: var(--soft);
  text-anchor: end;
}
.title {
  font: 13px var(--text);
  fill: var(--soft);
}
.lead polyline {
  fill: none;
  stroke-width: 3;
  stroke-linecap: round;
}
.lead .halo {
  stroke: var(--sheet);
  stroke-width: 6;
}
.lead.lit .halo {
  stroke: var(--lit);
  stroke-width: 10;
}
.part:focus:not(:focus-visible) {
  outline: none;
}
.spine {
  fill: none;
  stroke: var(--ink);
  stroke-width: 8;
  stroke-linecap: round;
  stroke-linejoin: round;
  opacity: 0.82;
}
.leader {
  stroke: var(--ink);
  stroke-width: 1.4;
  stroke-dasharray: 3 3;
}
.foot {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 2;
}
.name {
  fill: var(--ink);
}
.nametext {
  font: 600 12.5px var(--mono);
  fill: var(--sheet);
  text-anchor: middle;
}
.part.lit .spine {
  stroke: var(--hit);
  opacity: 1;
}
.part.lit .foot,
.part.lit .leader {
  stroke: var(--hit);
}
.part.lit .name {
  fill: var(--hit);
}
.part:focus-visible .name {
  stroke: var(--act);
  stroke-width: 3;
}
.chip rect {
  fill: var(--sheet);
  stroke: var(--pad);
}
.chip text {
  font: 600 12.5px var(--mono);
  fill: var(--ink);
  text-anchor: middle;
}
</style>

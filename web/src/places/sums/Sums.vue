<script setup lang="ts">
// Bench sums: the same sums as the checks use, each with its formula and its drawing.
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import Asked from '@/pieces/states/Asked.vue'
import Sheet from '@/pieces/states/Sheet.vue'
import { useSums } from '@/queries/sums'
import { useKeys } from '@/shared/keys'
import { sums as texts } from '@texts/sums'
import BandsSheet from './BandsSheet.vue'
import SumSheet from './SumSheet.vue'

const route = useRoute()
const router = useRouter()
const sums = useSums()
const data = sums.data
const names = computed(() => ['bands', ...(data.value?.sums ?? []).map((sum) => sum.name)])
const chosen = computed(() => {
  const name = String(route.params.sum || 'bands')
  return names.value.includes(name) ? name : 'bands'
})
const sum = computed(() => data.value?.sums.find((one) => one.name === chosen.value))
const titleOf = (name: string) =>
  data.value?.sums.find((one) => one.name === name)?.title ?? texts.colourBands
function turn(by: number) {
  const at = names.value.indexOf(chosen.value)
  void router.replace(`/sums/${names.value[(at + by + names.value.length) % names.value.length]}`)
}
useKeys({
  ArrowDown: { does: texts.nextSum, act: () => turn(1) },
  ArrowUp: { does: texts.sumBefore, act: () => turn(-1) },
})
</script>

<template>
  <div class="page grid grid-cols-[220px_minmax(0,1fr)] gap-5 p-5 items-start">
    <nav :aria-label="texts.sums">
      <RouterLink
        v-for="name in names"
        :key="name"
        :to="`/sums/${name}`"
        :aria-current="name === chosen ? 'page' : undefined"
      >
        {{ titleOf(name) }}
      </RouterLink>
    </nav>
    <Sheet pad="large" class="min-h-120">
      <Asked v-if="!data" :query="sums" :what="texts.subject" />
      <BandsSheet v-else-if="!sum" :lists="data" />
      <SumSheet v-else :key="sum.name" :sum="sum" />
    </Sheet>
  </div>
</template>

<style scoped>
nav {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 2px;
}
nav a {
  padding: 9px 12px;
  color: var(--ink);
  text-decoration: none;
  border-radius: 5px;
}
nav a:hover {
  background: var(--sunk);
}
nav a[aria-current] {
  background: var(--sheet);
  box-shadow: inset 3px 0 0 var(--copper);
  font-weight: 640;
}
@media (max-width: 900px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
  nav {
    display: flex;
    flex-wrap: wrap;
  }
}
</style>

<script setup lang="ts">
// The hatch: scan or type a kit's tag and a pair's badge, in either order. A scanner just types, and ends with Enter;
// the field takes the next scan while the one before is answered.
import { NButton, NCheckbox, NFlex, NForm } from 'naive-ui'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import TextField from '@/pieces/fields/TextField.vue'
import Asked from '@/pieces/states/Asked.vue'
import ChoiceBar from '@/pieces/controls/ChoiceBar.vue'
import { useFloor } from '@/queries/floor'
import { useKits } from '@/queries/stores'
import { useSession } from '@/shared/me'
import { useOnce } from '@/shared/once'
import { useSounds } from '@/shared/sounds'
import { useTab } from '@/shared/tabs'
import TabBar from '@/pieces/controls/TabBar.vue'
import { common } from '@texts/common'
import { hatch as texts } from '@texts/hatch'
import KitTable from './kits/KitTable.vue'
import { type Mode, useScans } from './scan/use-scans'
import { lazy } from '@/pieces/lazy'
import Sheet from '@/pieces/states/Sheet.vue'

const ScanAnswers = lazy(() => import('./scan/ScanAnswers.vue'))

const SubstituteForm = lazy(() => import('./scan/SubstituteForm.vue'))
const OrderList = lazy(() => import('./kits/OrderList.vue'))
const KitTests = lazy(() => import('./kits/KitTests.vue'))

const ReplaceForm = lazy(() => import('./scan/ReplaceForm.vue'))
const SettingsForm = lazy(() => import('./scan/SettingsForm.vue'))
const CameBack = lazy(() => import('./scan/CameBack.vue'))

const ComingSessions = lazy(() => import('./kits/ComingSessions.vue'))
const DrawerList = lazy(() => import('./drawers/DrawerList.vue'))
const FaultList = lazy(() => import('./faults/FaultList.vue'))
const ModuleList = lazy(() => import('./modules/ModuleList.vue'))
const TablesAndLabels = lazy(() => import('./papers/TablesAndLabels.vue'))

const { session } = useSession()
const TABS = {
  kits: common.kits,
  modules: common.modules,
  drawers: common.drawers,
  faults: common.faults,
  'coming-sessions': texts.comingSessions,
  'labels-and-tables': texts.labelsAndTables,
}
const { tab } = useTab(TABS)
const route = useRoute()
const act = ref<Mode | 'instead' | 'replace' | 'settings'>('out')
const FORMS = ['instead', 'replace', 'settings']
const looked = ref('')
const wasLooked = useOnce(() => !!looked.value)
const { on: sounds } = useSounds()
const mode = computed<Mode>(() => (act.value === 'back' ? 'back' : 'out'))
const code = ref('')
const tag = ref(String(route.query.kit ?? ''))
const field = useTemplateRef<InstanceType<typeof TextField>>('field')
const { scan, forget, answers, pending, busy, undo, tell, putRight } = useScans(
  computed(() => session.value?.id),
  mode,
)

const kits = useKits({ often: true })
const floor = useFloor(computed(() => session.value?.id))
const waiting = computed(() => floor.data.value?.benches.filter((b) => !b.docket) ?? [])
const hint = computed(() => {
  if (act.value === 'back') return texts.returnHint
  if (pending.value?.kit) return texts.badgeNext(pending.value.kit.named)
  if (pending.value?.badge) return texts.nowTheKit(pending.value.badge.named)
  return texts.scanAKit
})
const refocus = () => void nextTick(() => field.value?.focus())
onMounted(() => {
  if (tag.value) code.value = tag.value
  refocus()
})
watch(act, () => {
  forget()
  refocus()
})

function enter() {
  scan(code.value)
  code.value = ''
}
const KEYS = { '>': 'out', '<': 'back', '=': 'instead', '+': 'replace', '*': 'settings' } as const
/** The mode by one key, while the field is empty: no tag and no badge begins with it. */
function switchMode(event: KeyboardEvent) {
  const to = KEYS[event.key as keyof typeof KEYS]
  if (!to || code.value) return
  event.preventDefault()
  act.value = to
}
function choose(name: string) {
  tag.value = name
  if (FORMS.includes(act.value)) return
  code.value = name
  refocus()
}
</script>

<template>
  <div class="page grid grid-cols-[476px_minmax(0,1fr)] gap-5 py-4.5 px-5">
    <section class="grid grid-cols-1 gap-3 content-start" :aria-label="common.hatch">
      <h1>{{ common.hatch }}</h1>
      <ChoiceBar
        v-model="act"
        :label="texts.whatToDo"
        :choices="[
          { value: 'out', word: texts.handOut, key: '>' },
          { value: 'back', word: texts.takeBack, key: '<' },
          { value: 'instead', word: texts.substitute, key: '=' },
          { value: 'replace', word: texts.replace, key: '+' },
          { value: 'settings', word: texts.settings, key: '*' },
        ]"
      />
      <Sheet v-if="act === 'instead'" class="box">
        <NFlex vertical size="small">
          <SubstituteForm v-model:tag="tag" />
        </NFlex>
      </Sheet>
      <Sheet v-else-if="act === 'replace'" class="box">
        <NFlex vertical size="small">
          <ReplaceForm v-model:tag="tag" />
        </NFlex>
      </Sheet>
      <Sheet v-else-if="act === 'settings'" class="box">
        <NFlex vertical size="small">
          <SettingsForm v-model:tag="tag" />
        </NFlex>
      </Sheet>
      <Sheet v-else class="box">
        <NForm class="grid grid-cols-1 gap-2.5" @submit.prevent="enter">
          <label class="field-label" for="code">{{
            act === 'out' ? texts.kitOrBadge : texts.returnedKit
          }}</label>
          <TextField
            id="code"
            ref="field"
            v-model="code"
            class="big"
            :placeholder="act === 'out' ? texts.scanExample : texts.kitExample"
            autocomplete="off"
            list="badges"
            maxlength="80"
            figures
            @keydown="switchMode"
            @keydown.esc="forget"
          />
          <datalist v-if="act === 'out'" id="badges">
            <option v-for="bench in waiting" :key="bench.badge" :value="bench.badge">{{ bench.pair }}</option>
          </datalist>
          <p
            class="hint min-h-8.5 flex items-center gap-2 text-soft"
            :class="{ half: pending }"
            role="status"
          >
            {{ hint }}
            <NButton v-if="pending" type="primary" quaternary @click="forget">
              {{ texts.startOver }}
            </NButton>
          </p>
          <NButton type="primary" attr-type="submit" :disabled="!session || !code.trim()">
            {{ busy ? texts.running : texts.enter }} <kbd>{{ common.enter }}</kbd>
          </NButton>
          <NCheckbox v-model:checked="sounds" class="sounds">{{ texts.soundOption }}</NCheckbox>
        </NForm>
      </Sheet>
      <ScanAnswers
        v-if="answers.length"
        :answers="answers"
        @undo="undo"
        @look="looked = $event"
        @done="refocus"
      />
    </section>
    <TabBar v-model="tab" :tabs="TABS" :label="texts.stores">
      <ModuleList v-if="tab === 'modules'" />
      <DrawerList v-else-if="tab === 'drawers'" />
      <FaultList v-else-if="tab === 'faults'" />
      <div v-else-if="tab === 'coming-sessions'"><ComingSessions /><OrderList /></div>
      <TablesAndLabels v-else-if="tab === 'labels-and-tables'" />
      <Asked v-else v-slot="{ data }" shape="table" :query="kits" :what="texts.kitsSubject">
        <div>
          <KitTests :kits="data" />
          <KitTable :kits="data" :chosen="tag" @choose="choose" @put-right="putRight" />
        </div>
      </Asked>
    </TabBar>
    <CameBack v-if="wasLooked" v-model:tag="looked" @said="tell" @closed="refocus" />
  </div>
</template>

<style scoped>
.big {
  font-size: 22px;
}
.hint.half {
  color: var(--act);
  font-weight: 620;
}
.sounds {
  display: flex;
  gap: 8px;
  align-items: center;
  color: var(--soft);
  font-size: 14px;
}
@media (max-width: 900px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

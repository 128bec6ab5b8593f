<script setup lang="ts">
import { computed, ref } from 'vue'

import { calculate } from '@/api/calc'
import type { DriveAnswer, Option, OwnRating, SelectAnswer } from '@/api/types'
import AllFigures from '@/features/drive/components/AllFigures.vue'
import HowCome from '@/shared/ui/HowCome.vue'
import { useSettings } from '@/shared/state/settings'
import NoticeList from '@/shared/ui/NoticeList.vue'
import { fit } from '@/features/drive/logic/layout'

import { inputOf, optionKey as key } from '../logic/pick'
import OptionCard from './OptionCard.vue'
import TradeOff from './TradeOff.vue'

const props = withDefaults(
  defineProps<{ answer: SelectAnswer; picked: string; words?: string; own?: OwnRating[] | null }>(),
  { words: 'equal weights', own: null },
)
const emit = defineEmits<{ pick: [option: Option] }>()
const settings = useSettings()
const worked = ref<DriveAnswer>()
const open = ref(false)
const how = ref<{ step: string | null; title: string }>({ step: null, title: '' })
// An option's figures are worked again in the open when somebody asks how they came about.
async function show(o: Option) {
  const input = inputOf(o, props.answer, { service_factor: { assume: o.drive.service_factor.value } })
  if (props.own) input.own_ratings = props.own
  const got = await calculate<DriveAnswer>('v-belt-drive', { units: settings.units, basis: props.answer.basis, input })
  if (!got.ok) return
  worked.value = got.data
  open.value = true
}
// One scale for all, so that a bigger drive looks bigger.
const scale = computed(() =>
  Math.min(
    ...props.answer.result.options.map(
      (o) => fit(o.elevation, 250, 118, { left: 8, right: 8, top: 7, bottom: 7 }, 0).scale,
    ),
  ),
)
const marked = ref('')
function seen(at: string) {
  marked.value = at
  const card = cards.value?.querySelector<HTMLElement>(`[data-key="${CSS.escape(at)}"]`)
  card?.scrollIntoView({ block: 'center' })
  card?.focus()
}
const cards = ref<HTMLElement>()
</script>

<template>
  <section class="found">
    <p v-if="answer.result.options.length">
      <strong>{{ answer.result.accepted.toLocaleString('en-US') }}</strong> of
      {{ answer.result.considered.toLocaleString('en-US') }} standard drives carry
      {{ answer.result.design_power.shown }} design power at {{ answer.result.centre_low.shown }} to
      {{ answer.result.centre_high.shown }}. Ordered by belts, shaft pull, width and speed error, each against the best
      found, {{ words }}.
    </p>
    <div v-else class="sheet empty">
      <h2>No standard V-belt drive does this</h2>
      <p>
        The list below says what each one missed; the nearest misses tell what to give way on: centre distance,
        tolerance or room.
      </p>
    </div>
    <NoticeList :notices="answer.notices" />
    <TradeOff
      v-if="answer.result.options.length > 1"
      :options="answer.result.options"
      :picked="picked || marked"
      :key-of="key"
      @open="seen"
    />
    <div ref="cards" class="options">
      <OptionCard
        v-for="(o, k) in answer.result.options"
        :key="key(o)"
        :data-key="key(o)"
        :no="k + 1"
        :option="o"
        :scale="scale"
        :picked="picked === key(o)"
        @pick="emit('pick', o)"
        @work="show(o)"
      />
    </div>
    <section v-if="answer.result.rejected.length" class="sheet rejected">
      <h3>Why the others fell out</h3>
      <table class="lines">
        <thead>
          <tr>
            <th scope="col">Limit</th>
            <th scope="col" class="n">Drives</th>
            <th scope="col">Nearest miss</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in answer.result.rejected" :key="r.limit">
            <td>{{ r.limit }}</td>
            <td class="n figure">{{ r.count.toLocaleString('en-US') }}</td>
            <td>
              {{ r.nearest }}<span v-if="r.says" class="dim">: {{ r.says }}</span>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <AllFigures
      v-if="worked"
      v-model="open"
      :answer="worked"
      @how="(s: string, t: string) => (how = { step: s, title: t })"
    />
    <HowCome :steps="worked?.working ?? []" :step="how.step" :title="how.title" @close="how.step = null" />
  </section>
</template>

<style scoped>
.found {
  display: grid;
  gap: 12px;
}
.options {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(262px, 1fr));
  gap: 12px;
}
.rejected {
  padding: 10px 14px;
  overflow-x: auto;
}
.n {
  text-align: right;
}
</style>

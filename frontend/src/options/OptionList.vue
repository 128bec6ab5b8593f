<script setup lang="ts">
import { computed, ref } from 'vue'

import type { Option, SelectAnswer } from '@/api/types'
import NoticeList from '@/shared/ui/NoticeList.vue'
import { thousands } from '@/shared/format/words'

import { commonScale, optionKey as key } from './card'
import OptionCard from './OptionCard.vue'
import TradeOff from './TradeOff.vue'
import WorkedOption from './WorkedOption.vue'

// What one family's search found: the field of them, their cards, and where all the others fell.
const props = withDefaults(defineProps<{ answer: SelectAnswer; picked: string; words?: string; one?: string }>(), {
  words: 'equal weights',
  one: 'drive',
})
const emit = defineEmits<{ pick: [option: Option] }>()
const worked = ref<InstanceType<typeof WorkedOption>>()
const scale = computed(() => commonScale(props.answer.result.options))
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
    <h2 class="visually-hidden">What was found</h2>
    <p v-if="answer.result.options.length">
      <strong>{{ thousands(answer.result.accepted) }}</strong> of {{ thousands(answer.result.considered) }} standard
      drives carry {{ answer.result.design_power.shown }} design power at {{ answer.result.centre_low.shown }} to
      {{ answer.result.centre_high.shown }}. Ordered by {{ words }}, each figure against the best found.
    </p>
    <div v-else class="sheet empty">
      <h2>No standard {{ one }} does this</h2>
      <p>
        The list below says what each one missed; the nearest misses tell what to give way on: centre distance,
        tolerance or room.
      </p>
    </div>
    <p v-if="answer.result.missing" class="dim">{{ answer.result.missing }}</p>
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
        full
        @pick="emit('pick', o)"
        @work="worked?.show(o.calc, o.input, answer.options)"
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
            <td class="n figure">{{ thousands(r.count) }}</td>
            <td>
              {{ r.nearest }}<span v-if="r.says" class="dim">: {{ r.says }}</span>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <WorkedOption ref="worked" />
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

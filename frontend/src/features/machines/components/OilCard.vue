<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'

import { api, attempt } from '@/api/client'
import type { components } from '@/api/schema'
import type { Problem } from '@/api/types'
import { faultText } from '@/shared/format/faults'
import { shortDate } from '@/shared/format/words'
import { newId } from '@/shared/state/kept'
import { save } from '@/shared/state/outbox'
import { useSettings } from '@/shared/state/settings'

import OilPicture from './OilPicture.vue'

// What is oiled and greased on this machine: with what, how much, how often, and when next.
const props = defineProps<{ machine: string }>()
const emit = defineEmits<{ planned: [] }>()
type Point = components['schemas']['OilPointView']
const settings = useSettings()
const points = ref<Point[]>([])
const problem = ref<Problem | null>(null)
const busy = ref('')
async function load() {
  const got = await attempt(api.GET('/api/machines/{ident}/oil', { params: { path: { ident: props.machine } } }))
  if (got.ok) points.value = got.data.points
  else problem.value = got.problem
}
onMounted(load)
const here = computed(() => points.value.filter((p) => p.due || p.drives.length))
const others = computed(() => points.value.filter((p) => !p.due && !p.drives.length))
async function plan(p: Point) {
  busy.value = p.key
  const body = {
    id: newId(),
    machine_id: props.machine,
    title: `${p.what}: ${p.amount}`.slice(0, 80),
    oil: p.key,
    every_days: p.every_days,
    created_by_name: settings.name,
  }
  const got = await save('POST', '/api/dues', body, p.what)
  busy.value = ''
  problem.value = got.ok ? null : got.problem
  if (got.ok) {
    emit('planned')
    await load()
  }
}
const every = (p: Point) =>
  `every ${p.every_days} days${p.every_hours ? ` or ${p.every_hours.toLocaleString('en-US')} running hours` : ''}`
</script>

<template>
  <section class="sheet oil" aria-labelledby="oil-title">
    <h2 id="oil-title">Oil and grease</h2>
    <p class="dim">Belts and their grooves get none, ever. What the machine's maker says goes first.</p>
    <p v-if="problem" class="field-fault" role="alert">
      {{ problem.errors[0] ? faultText(problem.errors[0]) : problem.detail || problem.title }}
    </p>
    <component
      :is="group.more ? 'details' : 'div'"
      v-for="group in [
        { key: 'here', more: false, list: here },
        { key: 'others', more: true, list: others },
      ]"
      :key="group.key"
    >
      <summary v-if="group.more">Other points it may have ({{ group.list.length }})</summary>
      <div v-for="p in group.list" :key="p.key" class="point">
        <OilPicture :point="p.key" />
        <div class="says">
          <b class="what">{{ p.what }}</b> <span v-if="p.drives.length" class="dim">on {{ p.drives.join(', ') }}</span>
          <p class="amount">{{ p.amount }}</p>
          <p>{{ p.lubricant }}, {{ every(p) }}</p>
          <p class="dim">
            <span aria-hidden="true">▲</span> {{ p.too_much }} {{ p.guard[0]?.toUpperCase() }}{{ p.guard.slice(1) }}.
          </p>
        </div>
        <span v-if="p.due" class="due"
          >due <b class="figure">{{ p.due.when ? shortDate(p.due.when) : 'by hours' }}</b></span
        >
        <button
          v-else
          type="button"
          class="way"
          :disabled="busy === p.key"
          :aria-label="`Plan it: ${p.what}`"
          @click="plan(p)"
        >
          Plan it
        </button>
      </div>
    </component>
  </section>
</template>

<style scoped>
.oil {
  padding: 14px 16px;
  display: grid;
  gap: 6px;
}
summary {
  min-height: 44px;
  display: list-item;
  line-height: 44px;
  cursor: pointer;
  color: var(--touch);
}
.point {
  display: grid;
  grid-template-columns: 76px minmax(0, 1fr) auto;
  gap: 4px 16px;
  align-items: center;
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
}
.what {
  font: 600 1.125rem var(--face-label);
}
.amount {
  font-weight: 600;
}
.due {
  text-align: right;
}
@media (max-width: 700px) {
  .point {
    grid-template-columns: 76px minmax(0, 1fr);
  }
  .point > :last-child {
    grid-column: 2;
    justify-self: start;
  }
}
</style>

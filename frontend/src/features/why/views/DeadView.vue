<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'

import { calculate } from '@/api/calc'
import { api, attempt } from '@/api/client'
import type { components } from '@/api/schema'
import type { Problem } from '@/api/types'
import { useKept } from '@/shared/state/kept'
import { wayOfDrive } from '@/shared/state/knownDrives'
import { setPlace } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'
import NoticeList from '@/shared/ui/NoticeList.vue'

import PowerWay from '../components/PowerWay.vue'

// A drive that does not turn: one look after another, the least work first, until it is known which part is held.
const props = defineProps<{ id: string }>()
type Found = components['schemas']['DeadDriveResponse']
const settings = useSettings()
const found = ref<Found>()
const problem = ref<Problem | null>(null)
const points = ref<string[]>([])
const { value: answers, forget } = useKept<Record<string, string>>(`dead.${props.id}`, () => ({}))
const working = ref(false)
const r = computed(() => found.value?.result)
let asked = 0

async function work() {
  const mine = ++asked
  working.value = true
  const got = await calculate<Found>('dead-drive', { units: settings.units, input: { answers: answers.value } })
  if (mine !== asked) return
  working.value = false
  problem.value = got.ok ? null : got.problem
  if (got.ok) found.value = got.data
  // What was kept by an older program may lead nowhere now: begin again.
  else if (!got.offline && Object.keys(answers.value).length) restart()
}
onMounted(async () => {
  const got = await attempt(api.GET('/api/drives/{ident}/why', { params: { path: { ident: props.id } } }))
  if (got.ok) {
    points.value = got.data.isolation_points
    setPlace('It does not turn', wayOfDrive(props.id, got.data.machine, got.data.drive))
  }
})
watch(answers, work, { deep: true, immediate: true })
function say(answer: string) {
  const key = r.value?.next?.key
  if (key && !working.value) answers.value = { ...answers.value, [key]: answer }
}
function back() {
  const last = r.value?.said.at(-1)?.key
  answers.value = Object.fromEntries(Object.entries(answers.value).filter(([k]) => k !== last))
}
function restart() {
  forget()
  answers.value = {}
}
</script>

<template>
  <main class="page dead">
    <header class="head">
      <h1>It does not turn</h1>
      <span v-if="r?.said.length" class="row">
        <button type="button" class="way" @click="back">Take back the last answer</button>
        <button type="button" class="way" @click="restart">Begin again</button>
      </span>
    </header>
    <p v-if="problem" class="field-fault" role="alert">{{ problem.detail || problem.title }}</p>
    <template v-if="r">
      <section class="sheet block"><PowerWay :parts="r.parts" /></section>
      <section class="sheet block ask" :inert="working" :aria-busy="working">
        <template v-if="r.next">
          <p class="label">
            {{ r.next.guard === 'on' ? 'From outside, guard on' : 'Guard off' }} · about {{ r.next.minutes }} min
          </p>
          <h2>{{ r.next.words }}</h2>
          <p>{{ r.next.how }}</p>
          <p v-if="r.next.guard === 'off'" class="hot">
            <span aria-hidden="true">■</span> Isolated first{{ points.length ? `: ${points.join('; ')}` : '' }}
          </p>
          <div class="answers">
            <button v-for="a in r.next.answers" :key="a" type="button" class="key" @click="say(a)">
              {{ a.charAt(0).toUpperCase() + a.slice(1) }}
            </button>
          </div>
        </template>
        <template v-else-if="r.end">
          <p class="label">Found, after about {{ r.minutes }} min</p>
          <h2>{{ r.end.words }}</h2>
          <p>{{ r.end.does }}</p>
          <div class="row">
            <router-link class="way filled" :to="`/drives/${id}/jobs?template=${r.end.job}`">Job for this</router-link>
            <router-link class="way" :to="`/drives/${id}/why`">Why did it fail?</router-link>
          </div>
        </template>
      </section>
      <NoticeList v-if="found?.notices.length" :notices="found.notices" />
      <ol v-if="r.said.length" class="sheet block said">
        <li v-for="s in r.said" :key="s.key">
          <span class="dim">{{ s.words }}</span> <b>{{ s.answer }}</b>
        </li>
      </ol>
    </template>
    <p v-else-if="!problem" class="dim" role="status">One moment…</p>
  </main>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 8px;
  align-items: center;
}
.block {
  padding: 14px 18px;
  display: grid;
  gap: 8px;
}
.ask {
  border: 2.5px solid var(--ink);
}
.ask h2 {
  font-size: 1.5625rem;
}
.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.answers .key {
  flex: 1 1 130px;
}
.hot {
  color: var(--hot);
  font-weight: 600;
}
.said {
  margin: 0;
  padding-left: 38px;
}
</style>

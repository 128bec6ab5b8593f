<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'

import { api, attempt } from '@/api/client'
import type { CalcLine } from '@/api/types'
import { TASKS } from '@/speeds/tasks'
import { setPlace } from '@/shared/state/place'

const list = ref<CalcLine[]>([])
const groups = computed(() => {
  const found = new Map<string, CalcLine[]>()
  for (const c of list.value.filter((x) => x.bench)) found.set(c.group, [...(found.get(c.group) ?? []), c])
  const order = [
    'Any drive',
    'Speeds',
    'Alignment and tension',
    'V-belts',
    'Roller chain',
    'Synchronous belts',
    'Flat, round and link belts',
    'Upkeep',
  ]
  const place = (group: string) => (order.includes(group) ? order.indexOf(group) : order.length)
  return [...found].sort(([a], [b]) => place(a) - place(b))
})
onMounted(async () => {
  setPlace('Bench')
  const got = await attempt(api.GET('/api/calc'))
  if (got.ok) list.value = got.data.calculations
})
</script>

<template>
  <main class="page">
    <h1>Bench</h1>
    <p class="dim">Quick answers that need no saved drive. Every figure shows its working.</p>
    <div class="tools">
      <router-link to="/choose" class="sheet tool main">
        <h2>Choose a drive for a duty</h2>
        <p>Power and speeds in; every standard drive is tried, the best are drawn side by side.</p>
      </router-link>
      <router-link to="/what-belt" class="sheet tool main">
        <h2>What is this belt?</h2>
        <p>From its print, from a tape, or from the sheaves alone.</p>
      </router-link>
      <router-link to="/route" class="sheet tool main">
        <h2>A drive with idlers and levers</h2>
        <p>Any number of wheels from tape measures: drawn to scale, every strand's pull, which wheel slips first.</p>
      </router-link>
    </div>
    <section class="group">
      <h2>It must turn at another speed</h2>
      <div class="tools">
        <router-link v-for="t in TASKS" :key="t.key" :to="`/speeds/${t.key}`" class="sheet tool main">
          <h3>{{ t.title }}</h3>
          <p>{{ t.asks }}</p>
        </router-link>
      </div>
    </section>
    <section v-for="[group, calcs] in groups" :key="group" class="group">
      <h2>{{ group }}</h2>
      <div class="tools">
        <router-link v-for="c in calcs" :key="c.name" :to="`/bench/${c.name}`" class="sheet tool">
          <h3>{{ c.title }}</h3>
          <p>{{ c.summary }}</p>
        </router-link>
      </div>
    </section>
  </main>
</template>

<style scoped>
.tools {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 12px;
}
.tool {
  padding: 14px 16px;
  color: var(--ink);
  text-decoration: none;
  display: grid;
  gap: 6px;
  align-content: start;
  min-height: 96px;
}
.group {
  display: grid;
  gap: 8px;
}
.tool h2,
.tool h3 {
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 4px;
}
.main {
  border-left: 6px solid var(--ink);
}
</style>

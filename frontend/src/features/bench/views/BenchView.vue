<script setup lang="ts">
import { onMounted, ref } from 'vue'

import { api, attempt } from '@/api/client'
import type { CalcLine } from '@/api/types'
import { setPlace } from '@/shared/state/place'

const list = ref<CalcLine[]>([])
onMounted(async () => {
  setPlace('', 'Bench')
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
      <router-link v-for="c in list" :key="c.name" :to="`/bench/${c.name}`" class="sheet tool">
        <h2>{{ c.title }}</h2>
        <p>{{ c.summary }}</p>
        <p class="dim">{{ c.source }}</p>
      </router-link>
    </div>
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
  min-height: 132px;
}
.tool h2 {
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 4px;
}
.main {
  border-left: 6px solid var(--touch);
}
.tool .dim {
  font-size: 15px;
}
</style>

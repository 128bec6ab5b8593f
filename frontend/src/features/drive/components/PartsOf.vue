<script setup lang="ts">
import { onMounted, ref } from 'vue'

import { api, attempt } from '@/api/client'
import type { components } from '@/api/schema'
import { inSystem } from '@/shared/format/designation'
import { useSettings } from '@/shared/state/settings'

// What this drive takes, and what of it lies on the shelf.
const props = defineProps<{ id: string }>()
const settings = useSettings()
const parts = ref<components['schemas']['WantedOut'][]>([])
onMounted(async () => {
  const got = await attempt(api.GET('/api/drives/{ident}/parts', { params: { path: { ident: props.id } } }))
  if (got.ok) parts.value = got.data.parts
})
const mark = (p: { count: number; on_shelf: number }) => (p.on_shelf >= p.count ? '●' : p.on_shelf ? '◐' : '○')
const words = (p: { count: number; on_shelf: number }) =>
  p.on_shelf >= p.count ? 'on the shelf' : p.on_shelf ? 'some on the shelf' : 'none on the shelf'
</script>

<template>
  <section v-if="parts.length" class="sheet parts" aria-labelledby="parts-title">
    <h2 id="parts-title">Parts it takes <router-link to="/shelf" class="to">All parts</router-link></h2>
    <ul>
      <li v-for="p in parts" :key="p.what">
        <span role="img" :aria-label="words(p)">{{ mark(p) }}</span>
        <span
          ><b class="figure">{{ p.count }} ×</b> {{ inSystem(p.what, settings.units) }}</span
        >
        <span class="dim">{{
          p.on_shelf ? `${p.on_shelf} there${p.places.length ? `, ${p.places.join(', ')}` : ''}` : 'none there'
        }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.parts {
  padding: 12px 16px;
}
h2 {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.to {
  font-size: 1.0625rem;
  min-height: 44px;
  min-width: 44px;
  display: grid;
  align-items: center;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 20px minmax(0, 1fr) auto;
  gap: 8px;
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
}
</style>

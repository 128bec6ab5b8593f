<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'

import { api, attempt } from '@/api/client'
import { setPlace } from '@/shared/state/place'

import InCard from '../components/InCard.vue'
import OutCard from '../components/OutCard.vue'

// The record taken out as a file and brought in.
const route = useRoute()
const machine = computed(() => (route.query.machine ? String(route.query.machine) : undefined))
const drive = computed(() => (route.query.drive ? String(route.query.drive) : undefined))
const what = ref('This one')

onMounted(async () => {
  setPlace('The record, out and in')
  const units = 'us' as const
  if (drive.value) {
    const got = await attempt(
      api.GET('/api/drives/{ident}', { params: { path: { ident: drive.value }, query: { units } } }),
    )
    if (got.ok) what.value = `${got.data.machine.name} · ${got.data.name}`
  } else if (machine.value) {
    const got = await attempt(api.GET('/api/machines/{ident}', { params: { path: { ident: machine.value } } }))
    if (got.ok) what.value = got.data.name
  }
})
</script>

<template>
  <main class="page">
    <h1>The record, out and in</h1>
    <div class="two">
      <OutCard :machine="machine" :drive="drive" :what="what" />
      <InCard />
    </div>
  </main>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  gap: 12px;
  align-items: start;
}
@media (max-width: 860px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

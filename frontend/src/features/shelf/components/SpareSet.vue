<script setup lang="ts">
import { computed, ref } from 'vue'

import { api, attempt } from '@/api/client'
import type { Cover, Machine, Problem } from '@/api/types'
import { newId } from '@/shared/state/kept'
import { useSettings } from '@/shared/state/settings'
import FoldedSheet from '@/shared/ui/FoldedSheet.vue'

// Spares for a group of drives: the fewest loops that give each of them a set, worked exactly.
const settings = useSettings()
const machines = ref<Machine[]>([])
const picked = ref<string[]>([])
const cover = ref<Cover>()
const problem = ref<Problem | null>(null)
const busy = ref(false)
async function read() {
  if (machines.value.length) return
  const got = await attempt(api.GET('/api/machines'))
  if (got.ok) machines.value = got.data.machines
}
const areas = computed(() => [...new Set(machines.value.map((m) => m.area))])
const drivesIn = (area: string) =>
  machines.value
    .filter((m) => m.area === area)
    .flatMap((m) => m.drives.filter((d) => d.fitted).map((d) => ({ ...d, machine: m.name })))
function toggle(id: string) {
  picked.value = picked.value.includes(id) ? picked.value.filter((x) => x !== id) : [...picked.value, id]
  cover.value = undefined
}
function all(area: string) {
  const ids = drivesIn(area).map((d) => d.id)
  const every = ids.every((id) => picked.value.includes(id))
  picked.value = every ? picked.value.filter((x) => !ids.includes(x)) : [...new Set([...picked.value, ...ids])]
  cover.value = undefined
}
async function work() {
  busy.value = true
  const body = {
    id: newId(),
    op_id: newId(),
    created_by_name: settings.name,
    drives: picked.value,
    units: settings.units,
  }
  const got = await attempt(api.POST('/api/stock/cover', { body }))
  busy.value = false
  cover.value = got.ok ? got.data : undefined
  problem.value = got.ok ? null : got.problem
}
</script>

<template>
  <FoldedSheet title="Spares for a group of drives" @opened="read">
    <p class="dim">
      The fewest loops that give each picked drive a set to put on; drives whose take-up reaches the same length share
      one. One set is enough for all it fits, as only one fails at a time.
    </p>
    <div v-for="a in areas" :key="a" class="area">
      <button type="button" class="name" @click="all(a)">{{ a || 'No area' }}</button>
      <button
        v-for="d in drivesIn(a)"
        :key="d.id"
        type="button"
        class="pick"
        :aria-pressed="picked.includes(d.id)"
        :class="{ here: picked.includes(d.id) }"
        @click="toggle(d.id)"
      >
        {{ d.machine }} · {{ d.name }} <span class="figure">{{ d.fitted }}</span>
      </button>
    </div>
    <p v-if="problem" class="field-fault" role="alert">
      {{ problem.errors[0]?.reason ?? problem.detail }}
    </p>
    <div class="row">
      <button type="button" class="key main" :disabled="!picked.length || picked.length > 60 || busy" @click="work">
        Work out the spares<small>{{ picked.length }} picked{{ picked.length > 60 ? ', 60 at most' : '' }}</small>
      </button>
    </div>
    <template v-if="cover">
      <p class="says" role="status">{{ cover.says }}</p>
      <p v-for="s in cover.spares" :key="s.designation" class="spare">
        <b class="figure">{{ s.count }} × {{ s.designation }}</b>
        <span :class="{ hot: s.on_shelf < s.count }"
          >{{ s.on_shelf < s.count ? '■' : '●' }} {{ s.on_shelf }} on the shelf</span
        >
        <span class="dim">{{ s.serves.join('; ') }}</span>
      </p>
    </template>
  </FoldedSheet>
</template>

<style scoped>
.area {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.name {
  min-height: 46px;
  border: 0;
  background: none;
  color: var(--touch);
  font: 600 1.0625rem var(--face-label);
  text-decoration: underline;
  cursor: pointer;
}
.pick {
  min-height: 48px;
  padding: 4px 12px;
  border: 2px solid var(--touch);
  background: var(--sheet);
  color: var(--touch);
  font: 500 1rem var(--face-label);
  cursor: pointer;
}
.pick.here {
  background: var(--ink);
  color: var(--sheet);
  border-color: var(--ink);
}
.says {
  font: 600 1.3125rem var(--face-label);
}
.spare {
  display: grid;
  grid-template-columns: 180px 150px 1fr;
  gap: 4px 14px;
  min-height: 44px;
  align-items: center;
  border-bottom: 1px solid var(--line);
}
.spare b {
  font-size: 1.1875rem;
}
.hot {
  color: var(--hot);
}
@media (max-width: 700px) {
  .spare {
    grid-template-columns: 1fr;
  }
}
</style>

<script setup lang="ts">
import { onMounted, ref, watch } from 'vue'

import { api, attempt } from '@/api/client'
import type { MachineList, Problem } from '@/api/types'
import FaultList from '@/shared/ui/FaultList.vue'
import { otherFaults } from '@/shared/format/faults'
import { setPlace } from '@/shared/state/place'

import MachineForm from '../components/MachineForm.vue'

const words = ref('')
const list = ref<MachineList>()
const problem = ref<Problem | null>(null)
const adding = ref(false)
let asked = 0

async function load() {
  const mine = ++asked
  const got = await attempt(api.GET('/api/machines', { params: { query: { q: words.value } } }))
  if (mine !== asked) return
  if (got.ok) {
    list.value = got.data
    problem.value = null
  } else problem.value = got.problem
}
async function more() {
  const have = list.value?.machines ?? []
  const got = await attempt(api.GET('/api/machines', { params: { query: { q: words.value, start: have.length } } }))
  if (got.ok) list.value = { ...got.data, machines: [...have, ...got.data.machines] }
  else problem.value = got.problem
}
watch(words, () => void load())
onMounted(() => {
  setPlace('Machines')
  void load()
})
</script>

<template>
  <main class="page">
    <div class="row spread">
      <h1>Machines</h1>
      <el-button type="primary" @click="adding = !adding">{{ adding ? 'Close' : 'Add a machine' }}</el-button>
    </div>
    <MachineForm v-if="adding" @saved="(id: string) => $router.push(`/machines/${id}`)" />
    <el-input
      v-model="words"
      class="words find"
      aria-label="Find a machine"
      placeholder="Find by name, tag, area or drive"
      clearable
    />
    <FaultList :faults="otherFaults(problem, [])" />
    <p v-if="!list && !problem" class="dim">Reading the machines…</p>
    <div v-else-if="list && !list.machines.length" class="sheet empty">
      <template v-if="words">
        <h2>No machine answers to “{{ words }}”</h2>
        <el-button @click="words = ''">Show all</el-button>
      </template>
      <template v-else>
        <h2>No machine yet</h2>
        <p>
          Add the machine you stand at; its drives come next. Or try a duty first: press <kbd>/</kbd> and type 1750 &gt;
          640 15hp fan 28in.
        </p>
        <el-button type="primary" @click="adding = true">Add a machine</el-button>
      </template>
    </div>
    <ul v-else-if="list" class="sheet list">
      <li v-for="m in list.machines" :key="m.id">
        <router-link :to="`/machines/${m.id}`" class="machine">
          <span class="tag">{{ m.tag }}</span>
          <strong>{{ m.name }}</strong>
          <span class="dim"
            >{{ m.area }}<template v-if="m.area"> · </template>{{ m.kind === 'hvac' ? 'HVAC' : m.kind }}</span
          >
        </router-link>
        <div class="drives">
          <router-link v-for="d in m.drives" :key="d.id" :to="`/drives/${d.id}`" class="drive">
            <span>{{ d.name }}</span>
            <span class="figure">{{ d.fitted }}</span>
            <span :class="d.temporary ? 'temp' : 'dim'">{{ d.temporary ? '◐ temporary' : d.state }}</span>
          </router-link>
          <router-link v-if="!m.drives.length" :to="`/machines/${m.id}`" class="drive dim"
            >no drive yet: add one</router-link
          >
        </div>
      </li>
    </ul>
    <el-button v-if="list && list.machines.length && list.machines.length < list.total" @click="more"
      >Show more: {{ list.machines.length }} of {{ list.total }} are shown</el-button
    >
  </main>
</template>

<style scoped>
.find {
  max-width: 520px;
}
.list {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(260px, 2fr) 5fr;
  border-top: 1px solid var(--line);
}
li:first-child {
  border-top: 0;
}
.machine {
  display: grid;
  grid-template-columns: 62px 1fr;
  gap: 0 8px;
  align-content: center;
  padding: 8px 12px;
  color: var(--ink);
  text-decoration: none;
  min-height: 52px;
}
.machine strong {
  font-weight: 600;
}
.tag {
  font-family: var(--face-figure);
  color: var(--dim);
  grid-row: 1 / 3;
}
.drives {
  display: grid;
}
.drive {
  display: grid;
  grid-template-columns: 1.2fr 1fr 1fr;
  gap: 10px;
  align-items: center;
  padding: 6px 12px;
  min-height: 46px;
  color: var(--touch);
  text-decoration: none;
}
.drive > :first-child {
  text-decoration: underline;
  text-underline-offset: 4px;
}
.drive .figure {
  color: var(--ink);
  font-size: 1.0625rem;
}
.temp {
  color: var(--warm);
  font-weight: 600;
}
kbd {
  border: 1px solid var(--dim);
  padding: 0 6px;
  font-family: var(--face-figure);
}
@media (max-width: 700px) {
  li {
    grid-template-columns: 1fr;
  }
  .drive {
    padding-left: 82px;
    grid-template-columns: 1fr auto;
  }
  .drive span:last-child {
    display: none;
  }
  .drive .temp:last-child {
    display: inline;
  }
}
</style>

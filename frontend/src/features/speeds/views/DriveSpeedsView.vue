<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'

import { api, attempt } from '@/api/client'
import type { Problem } from '@/api/types'
import { otherFaults } from '@/shared/format/faults'
import { shortDate } from '@/shared/format/words'
import { save } from '@/shared/state/outbox'
import { wayOfDrive } from '@/shared/state/knownDrives'
import { setPlace } from '@/shared/state/place'
import { useSettings } from '@/shared/state/settings'
import FaultList from '@/shared/ui/FaultList.vue'

import { TASKS, taskOfCalc } from '@/speeds/tasks'
import type { SpeedsOfDrive } from '@/speeds/types'

// A drive's speeds: what it turns at, the plate with every speed it can be set to, and what may be asked about them.
const props = defineProps<{ id: string }>()
const settings = useSettings()
const drive = ref<SpeedsOfDrive>()
const missing = ref<Problem | null>(null)
const problem = ref<Problem | null>(null)
const setting = ref('')
const speed = ref('')
const tasks = computed(() => {
  const asked = drive.value?.questions.map((q) => taskOfCalc(q.calc)).filter((t) => t !== undefined) ?? []
  const stages = TASKS.filter((t) => t.key === 'stages')
  return [...asked, ...stages]
})
const benches = computed(() => drive.value?.questions.filter((q) => !taskOfCalc(q.calc)) ?? [])
const lines = computed(
  () => drive.value?.plate.rows.map((r) => ({ setting: r.setting, speed: `${r.speed.value} rpm`, note: r.note })) ?? [],
)

async function load() {
  const got = await attempt(
    api.GET('/api/drives/{ident}/speeds', { params: { path: { ident: props.id }, query: { units: settings.units } } }),
  )
  if (!got.ok) {
    missing.value = got.problem
    return
  }
  drive.value = got.data
  setPlace('Speeds', wayOfDrive(props.id, got.data.machine, got.data.name))
}
async function keep(rows: typeof lines.value) {
  const plate = drive.value?.plate
  if (!plate) return false
  const got = await save(
    'PUT',
    `/api/drives/${props.id}/plate`,
    {
      rev: plate.rev,
      title: plate.title,
      rows,
      calc: plate.calc,
      given: plate.given,
      units: settings.units,
      created_by_name: settings.name,
    },
    `the speeds of ${drive.value?.name}`,
  )
  problem.value = got.ok ? null : got.problem
  if (got.ok || got.problem.type === 'tuyere:stale') await load()
  return got.ok
}
async function add() {
  if (await keep([...lines.value, { setting: setting.value, speed: speed.value, note: '' }])) {
    setting.value = ''
    speed.value = ''
  }
}
onMounted(load)
watch(() => settings.units, load)
</script>

<template>
  <main class="page">
    <FaultList :faults="otherFaults(missing, [])" />
    <p v-if="!drive && !missing" class="dim">Reading the drive…</p>
    <template v-if="drive">
      <div class="row spread">
        <h1>Speeds</h1>
        <router-link class="to" :to="`/drives/${id}`">{{ drive.machine }}, {{ drive.name }}</router-link>
      </div>
      <p v-if="drive.driven_speed" class="now">
        By its wheels it turns at <strong class="figure">{{ drive.driven_speed.shown }}</strong><template
          v-if="drive.wanted_speed"
          >; <strong class="figure">{{ drive.wanted_speed.shown }}</strong> is wanted</template
        >.
      </p>
      <p v-else class="dim">What is on this drive is not written down yet: then these questions fill themselves.</p>
      <section class="sheet plate">
        <div class="row spread">
          <h2>Speed plate</h2>
          <span v-if="drive.plate.rows.length" class="row">
            <a
              v-for="k in ['pdf', 'svg']"
              :key="k"
              class="to"
              target="_blank"
              rel="noopener"
              :href="`/api/drives/${id}/plate.${k}?units=${settings.units}`"
              >Label as {{ k.toUpperCase() }}</a
            >
          </span>
        </div>
        <p v-if="drive.plate.title" class="dim">
          {{ drive.plate.title }}. {{ drive.plate.by
          }}<template v-if="drive.plate.at">, {{ shortDate(drive.plate.at) }}</template>
        </p>
        <table v-if="drive.plate.rows.length" class="lines">
          <thead>
            <tr>
              <th scope="col">Setting</th>
              <th scope="col" class="rpm">Speed</th>
              <th scope="col">Note</th>
              <th scope="col"><span class="unseen">Take out</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(r, k) in drive.plate.rows" :key="k">
              <td>{{ r.setting }}</td>
              <td class="rpm figure">{{ r.speed.shown }}</td>
              <td class="dim">{{ r.note }}</td>
              <td>
                <el-button
                  v-if="lines.length > 1"
                  :aria-label="`Take out ${r.setting}`"
                  @click="keep(lines.filter((_, n) => n !== k))"
                  >Take out</el-button
                >
              </td>
            </tr>
          </tbody>
        </table>
        <p v-else class="dim">No speeds are kept yet. Work them below, or write one down:</p>
        <form class="add" @submit.prevent="add">
          <label>Setting <input v-model="setting" autocomplete="off" maxlength="80" required /></label>
          <label>Speed, rpm <input v-model="speed" autocomplete="off" inputmode="decimal" required /></label>
          <el-button native-type="submit">Write it down</el-button>
        </form>
        <FaultList v-if="problem" :faults="otherFaults(problem, [])" />
      </section>
      <section>
        <h2>What is wanted?</h2>
        <div class="tools">
          <router-link
            v-for="t in tasks"
            :key="t.key"
            class="sheet tool"
            :to="{ path: `/speeds/${t.key}`, query: { drive: id } }"
          >
            <h3>{{ t.title }}</h3>
            <p>{{ t.asks }}</p>
          </router-link>
        </div>
        <p class="more">
          <router-link
            v-for="q in benches"
            :key="q.calc"
            class="to"
            :to="{ path: `/bench/${q.calc}`, query: { drive: id } }"
            >{{ q.title }}</router-link
          >
        </p>
      </section>
    </template>
  </main>
</template>

<style scoped>
.now {
  font-size: 1.25rem;
  margin: 0;
}
.plate {
  padding: 12px 16px;
  display: grid;
  gap: 10px;
}
.plate p {
  margin: 0;
}
td,
th {
  text-align: left;
  padding: 4px 14px 4px 0;
}
.rpm {
  text-align: right;
}
td.rpm {
  font-size: 1.25rem;
}
.plate :deep(.el-button) {
  min-height: 46px;
}
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: end;
}
.add label {
  display: grid;
  font: 500 1rem var(--face-label);
}
.add input {
  font: 500 1.125rem var(--face-text);
  min-height: 46px;
  border: 1px solid var(--line);
  background: var(--sheet);
  color: var(--ink);
  padding: 0 8px;
  border-radius: 0;
}
.to {
  display: inline-grid;
  align-items: center;
  min-height: 44px;
  margin-right: 16px;
}
.tools {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(280px, 1fr));
  gap: 12px;
}
.tool {
  padding: 14px 16px;
  color: var(--ink);
  text-decoration: none;
  display: grid;
  gap: 6px;
  align-content: start;
  min-height: 90px;
}
.tool h3 {
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 4px;
}
.unseen {
  position: absolute;
  clip-path: inset(50%);
}
</style>

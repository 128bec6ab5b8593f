<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'

import { api, attempt } from '@/api/client'
import type { components } from '@/api/schema'
import { startOf } from '@/shared/format/due'
import { counted, shortDate, thousands } from '@/shared/format/words'
import StateMark from '@/shared/ui/StateMark.vue'

// What is to come at this machine, the soonest first: what, at which drive, when, and the key that begins it.
const props = defineProps<{ machine: string }>()
const emit = defineEmits<{ read: [dues: Due[]] }>()
type Due = components['schemas']['DueLine']
const FIRST = 5
const dues = ref<Due[]>()
const failed = ref(false)
const every = ref(false)
async function load() {
  const got = await attempt(api.GET('/api/dues', { params: { query: { machine: props.machine } } }))
  failed.value = !got.ok
  if (!got.ok) return
  dues.value = got.data.dues
  emit('read', got.data.dues)
}
onMounted(load)
defineExpose({ load })
const shown = computed(() => (every.value ? dues.value : dues.value?.slice(0, FIRST)) ?? [])
const when = (d: Due) =>
  d.when ? shortDate(d.when) : d.by_hours === null ? 'no date' : `at ${thousands(d.by_hours)} h on the meter`
</script>

<template>
  <section class="sheet come" aria-labelledby="come-title">
    <h2 id="come-title">To come here</h2>
    <p v-if="failed" class="field-fault" role="alert">
      What is due could not be read. <button type="button" class="way" @click="load">Try again</button>
    </p>
    <p v-else-if="dues && !dues.length" class="dim">Nothing is due at this machine.</p>
    <ul v-else>
      <li v-for="d in shown" :key="d.id">
        <StateMark :state="d.overdue ? 'act' : 'none'" />
        <span>
          <b class="figure" :class="{ late: d.overdue }">{{ when(d) }}</b><template v-if="d.overdue"> · late</template
          ><br />
          {{ d.title }}<span v-if="d.drive" class="dim"> · {{ d.drive }}</span>
        </span>
        <router-link v-if="d.drive_id" :to="startOf(d)" class="way" :aria-label="`Start: ${d.title}`"
          >Start</router-link
        >
        <router-link v-else to="/round" class="way" :aria-label="`On the round: ${d.title}`">Round</router-link>
      </li>
    </ul>
    <button v-if="(dues?.length ?? 0) > FIRST" type="button" class="plain" @click="every = !every">
      {{ every ? 'The soonest only' : `All ${counted(dues?.length ?? 0, 'thing')}` }}
    </button>
  </section>
</template>

<style scoped>
.come {
  padding: 14px 16px;
  display: grid;
  gap: 6px;
  align-content: start;
  min-height: 150px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 20px minmax(0, 1fr) auto;
  gap: 4px 10px;
  align-items: center;
  min-height: 56px;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
}
.figure {
  font-size: 1.125rem;
}
.late {
  color: var(--hot);
}
.plain {
  justify-self: start;
  min-height: 48px;
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 4px;
}
</style>

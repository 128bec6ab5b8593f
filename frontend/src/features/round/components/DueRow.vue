<script setup lang="ts">
import { computed, ref } from 'vue'

import type { Problem, RoundLine } from '@/api/types'
import ElevationDrawing from '@/elevation/ElevationDrawing.vue'
import { fit } from '@/elevation/frame'
import { inSystem } from '@/shared/format/designation'
import { startOf } from '@/shared/format/due'
import { save } from '@/shared/state/outbox'
import { useSettings } from '@/shared/state/settings'

import { inDays, lateness } from '../logic/days'

// One thing to do: the mark, the drive to scale, what is on it, what to do, how late, how long, guard on or off, one key.
const props = defineProps<{ line: RoundLine }>()
const emit = defineEmits<{ changed: [] }>()
const settings = useSettings()
const frame = computed(() =>
  props.line.elevation ? fit(props.line.elevation, 84, 46, { left: 3, right: 3, top: 3, bottom: 3 }, 0) : null,
)
const marks = { act: '■', watch: '◐', none: '○' } as Record<string, string>
const words = { act: 'late', watch: 'today', none: 'to come' } as Record<string, string>
const due = computed(() => props.line.due)
const start = computed(() => startOf(due.value))
const open = ref<'' | 'more' | 'off' | 'done'>('')
const until = ref(inDays(7))
const reason = ref('')
const problem = ref<Problem | null>(null)
const busy = ref(false)
async function send(what: 'snooze' | 'done') {
  busy.value = true
  const body =
    what === 'snooze'
      ? { rev: due.value.rev, until: until.value, reason: reason.value }
      : { rev: due.value.rev, note: reason.value }
  const url = `/api/dues/${due.value.id}/${what}`
  const got = await save('POST', url, { ...body, created_by_name: settings.name }, due.value.title)
  busy.value = false
  problem.value = got.ok ? null : got.problem
  if (got.ok) {
    open.value = ''
    emit('changed')
  }
}
</script>

<template>
  <div class="due" :class="line.grade">
    <span class="mark" :class="line.grade" role="img" :aria-label="words[line.grade]">{{ marks[line.grade] }}</span>
    <svg v-if="line.elevation && frame" viewBox="0 0 84 46" class="small" aria-hidden="true">
      <ElevationDrawing :elevation="line.elevation" :frame="frame" small />
    </svg>
    <span v-else class="small"></span>
    <span class="what">
      <router-link :to="due.drive_id ? `/drives/${due.drive_id}` : `/machines/${due.machine_id}`" class="name"
        >{{ due.machine }}<template v-if="due.drive"> · {{ due.drive }}</template></router-link
      >
      <span v-if="line.what" class="figure belt">{{ inSystem(line.what, settings.units) }}</span>
      <span class="title">{{ due.title }}</span>
      <span v-if="due.snoozed_until" class="dim">put off: {{ due.snooze_reason }}</span>
    </span>
    <span class="when" :class="line.grade">{{ lateness(line.days, line.grade, due.when) }}</span>
    <span class="cost"
      ><template v-if="due.minutes"
        ><b class="figure">{{ due.minutes }}</b> min </template
      ><span v-if="due.template" class="guard">{{ due.guard_off ? 'guard off' : 'guard on' }}</span></span
    >
    <span class="keys">
      <router-link v-if="start" :to="start" class="way" :class="{ filled: line.grade === 'act' }">Start</router-link>
      <button v-else type="button" class="way" @click="open = open === 'done' ? '' : 'done'">Done</button>
      <button
        type="button"
        class="more"
        :aria-expanded="open !== ''"
        :aria-label="`More for ${due.title}`"
        @click="open = open ? '' : 'more'"
      >
        …
      </button>
    </span>
    <div v-if="open" class="put">
      <template v-if="open === 'more'">
        <span v-if="due.every" class="dim">{{ due.every }}</span>
        <button type="button" class="way" @click="open = 'off'">Put it off</button>
        <button type="button" class="way" @click="open = 'done'">Done without a job</button>
      </template>
      <template v-else>
        <label v-if="open === 'off'">
          Until
          <input v-model="until" class="blank" type="date" :min="inDays(1)" />
        </label>
        <label class="wide">
          {{ open === 'off' ? 'Why? It stays in sight.' : 'What was done?' }}
          <input v-model="reason" class="blank" maxlength="180" />
        </label>
        <button
          type="button"
          class="way filled"
          :disabled="busy || !settings.name || (open === 'off' && reason.trim().length < 3)"
          @click="send(open === 'off' ? 'snooze' : 'done')"
        >
          {{ open === 'off' ? 'Put it off' : 'It is done' }}
        </button>
        <span v-if="!settings.name" class="dim">say your name first, top right</span>
      </template>
      <p v-if="problem" class="field-fault" role="alert">
        {{ problem.errors[0]?.reason ?? problem.detail }} {{ problem.errors[0]?.allowed }}
      </p>
    </div>
  </div>
</template>

<style scoped>
.due {
  display: grid;
  grid-template-columns: 24px 84px minmax(0, 1fr) 88px 70px auto;
  gap: 4px 10px;
  align-items: center;
  min-height: 64px;
  padding: 6px 12px;
  border-bottom: 1px solid var(--line);
}
.mark {
  font-size: 1.375rem;
  text-align: center;
}
.mark.act,
.when.act {
  color: var(--hot);
}
.small {
  width: 84px;
  height: 46px;
}
.what {
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
  align-items: baseline;
}
.name {
  font: 600 1.125rem/1.25 var(--face-label);
}
@media (pointer: coarse) {
  .name {
    display: inline-grid;
    align-items: center;
    min-height: 44px;
  }
}
.belt {
  font-size: 0.9375rem;
  white-space: nowrap;
}
.title,
.what .dim {
  flex-basis: 100%;
}
.when {
  font: 600 1.0625rem var(--face-label);
}
.cost {
  font: 500 0.9375rem var(--face-label);
  white-space: nowrap;
}
.cost b {
  font-size: 1.1875rem;
}
.guard {
  display: block;
  color: var(--dim);
}
.keys {
  display: flex;
  gap: 6px;
}
.more {
  min-width: 48px;
  min-height: 48px;
  border: 0;
  background: none;
  color: var(--touch);
  font: 600 1.125rem var(--face-label);
  cursor: pointer;
}
.put {
  grid-column: 2 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: end;
  padding: 4px 0 8px;
}
.put label {
  display: grid;
  font-size: 0.9375rem;
}
.put .wide {
  flex: 1;
  min-width: 200px;
}
.put p {
  flex-basis: 100%;
}
@media (max-width: 700px) {
  .due {
    grid-template-columns: 26px minmax(0, 1fr) 84px;
  }
  .small {
    grid-column: 3;
    grid-row: 1;
  }
  .what {
    grid-column: 2;
    grid-row: 1;
  }
  .when {
    grid-column: 2;
    grid-row: 2;
  }
  .cost {
    grid-column: 3;
    grid-row: 2;
    text-align: right;
  }
  .keys {
    grid-column: 2 / -1;
  }
  .keys .way {
    flex: 1;
  }
  .put {
    grid-column: 1 / -1;
  }
}
</style>

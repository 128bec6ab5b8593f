<script setup lang="ts">
import { computed } from 'vue'

import type { components } from '@/api/schema'
import type { DriveAnswer } from '@/api/types'
import GaugeScale from '@/gauge/GaugeScale.vue'
import type { Pointer } from '@/gauge/scale'

import { figured } from '../logic/figured'

// The gauge fills the stage: both ends on one scale with the readings on it, then the steps in their order.
const props = defineProps<{
  answer: DriveAnswer
  target?: components['schemas']['TensionTargetOut']
  pointers?: Pointer[]
  says?: string
  fault?: string
}>()
const emit = defineEmits<{ clear: [] }>()
const state = defineModel<'new' | 'run in'>('state', { default: 'new' })
const setting = computed(() => props.answer.sheet?.setting)
const STATES = [
  { key: 'new', words: 'new belt' },
  { key: 'run in', words: 'run-in belt' },
] as const
</script>

<template>
  <div v-if="setting" class="tension">
    <section v-if="target" class="whole">
      <div class="row spread">
        <h2>Where it slips, where something gives, where your readings stand</h2>
        <div class="segments" role="group" aria-label="The belt is">
          <button
            v-for="s in STATES"
            :key="s.key"
            type="button"
            :class="{ here: state === s.key }"
            :aria-pressed="state === s.key"
            @click="state = s.key"
          >
            {{ s.words }}
          </button>
        </div>
      </div>
      <GaugeScale :target="target" :pointers="pointers ?? []" />
      <p v-if="fault" class="field-fault" role="alert">{{ fault }}</p>
      <p v-else-if="says" class="says" role="status">
        {{ says }} <button type="button" class="plain clear" @click="emit('clear')">clear the readings</button>
      </p>
    </section>
    <section>
      <h2>{{ setting.title }}</h2>
      <ol>
        <li v-for="(line, k) in setting.steps" :key="k">
          <template v-for="(part, n) in figured(line)" :key="n"
            ><b v-if="part.figure" class="figure">{{ part.text }}</b
            ><template v-else>{{ part.text }}</template></template
          >
        </li>
      </ol>
    </section>
    <section>
      <p v-if="setting.room" class="room">
        <template v-for="(part, n) in figured(setting.room)" :key="n"
          ><b v-if="part.figure" class="figure">{{ part.text }}</b
          ><template v-else>{{ part.text }}</template></template
        >
      </p>
      <p class="dim">{{ setting.remark }}</p>
    </section>
  </div>
</template>

<style scoped>
.tension {
  display: grid;
  grid-template-columns: minmax(0, 1.35fr) minmax(0, 1fr);
  gap: 8px 28px;
}
.whole {
  grid-column: 1 / -1;
  display: grid;
  gap: 4px;
}
.says {
  font: 600 1.25rem/1.25 var(--face-label);
}
.clear {
  min-height: 44px;
  padding: 0 8px;
  color: var(--touch);
  font: 400 1rem var(--face-text);
  text-decoration: underline;
  text-underline-offset: 4px;
}
ol {
  padding-left: 20px;
  margin: 6px 0;
}
li {
  margin-bottom: 3px;
}
.room {
  margin-bottom: 8px;
}
b.figure {
  white-space: nowrap;
}
@media (max-width: 900px) {
  .tension {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

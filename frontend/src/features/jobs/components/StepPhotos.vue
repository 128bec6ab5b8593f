<script setup lang="ts">
import { computed, ref } from 'vue'

import type { JobStep, PhotoLine, Problem } from '@/api/types'
import { newId } from '@/shared/state/kept'
import { save } from '@/shared/state/outbox'
import { useSettings } from '@/shared/state/settings'

import { fitted } from '../logic/photo'

// Photos at a step: the camera of the phone, or a file; kept on this device until they are sent.
const props = defineProps<{ place: { drive: string; job: string }; step: JobStep }>()
const settings = useSettings()
const taken = ref<string[]>([])
const problem = ref<Problem | null>(null)
const fault = ref('')
const busy = ref(false)
const all = computed(() => [...new Set([...props.step.photos, ...taken.value])])
async function take(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  busy.value = true
  fault.value = ''
  problem.value = null
  try {
    const data = await fitted(file)
    const body = {
      id: newId(),
      data,
      caption: '',
      job_id: props.place.job,
      step: props.step.key,
      created_by_name: settings.name,
    }
    const got = await save<PhotoLine>('POST', `/api/drives/${props.place.drive}/photos`, body, 'a photo')
    if (got.ok) taken.value.push(got.data.id)
    else problem.value = got.problem
  } catch {
    fault.value = 'That file could not be read. Take the photo again, or another file.'
  }
  busy.value = false
}
</script>

<template>
  <div class="photos">
    <label class="key" :class="{ off: busy }">
      {{ busy ? 'Keeping it…' : 'Photo' }}
      <input
        type="file"
        accept="image/jpeg,image/png,image/webp"
        class="visually-hidden"
        :disabled="busy"
        @change="take"
      />
    </label>
    <a v-for="(p, n) in all" :key="p" :href="`/api/photos/${p}`" target="_blank" rel="noopener">
      <img :src="`/api/photos/${p}/small`" :alt="`Photo ${n + 1} of this step`" />
    </a>
    <p v-if="fault" class="field-fault" role="alert">{{ fault }}</p>
    <p v-else-if="problem" class="field-fault" role="alert">
      {{ problem.errors[0] ? `${problem.errors[0].reason}: ${problem.errors[0].allowed}` : problem.detail }}
    </p>
  </div>
</template>

<style scoped>
.photos {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.key {
  min-height: 48px;
  display: inline-grid;
  place-items: center;
}
.key:focus-within {
  outline: 3px solid var(--touch);
  outline-offset: 2px;
}
.off {
  color: var(--dim);
  border-color: var(--line);
}
img {
  height: 72px;
  display: block;
  border: 3px solid var(--sheet);
  outline: 1px solid var(--ink);
}
</style>

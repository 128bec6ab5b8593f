<script setup lang="ts">
import { onBeforeUnmount, ref } from 'vue'

import { calculate } from '@/api/calc'
import type { Figure } from '@/api/types'
import { fromFile, listen } from '@/sound/listen'

// The page listens to one pluck, says the note and how sure it is, and what it could not hear.
interface Heard {
  says: string
  heard: boolean
  frequency: Figure | null
  confidence: number
  spectrum_hertz: number[]
  spectrum_strength: number[]
  partials: { number: number; frequency: Figure; strength: number }[]
}
const emit = defineEmits<{ note: [typed: string] }>()
const busy = ref<'' | 'listening' | 'working'>('')
const loud = ref(0)
const heard = ref<Heard | null>(null)
const fault = ref('')
let stop = new AbortController()
async function hear(sound: () => Promise<string>) {
  fault.value = ''
  heard.value = null
  try {
    const wav = await sound()
    busy.value = 'working'
    const got = await calculate<{ result: Heard }>('pluck', { units: 'us', input: { sound: wav } })
    if (!got.ok) fault.value = got.problem.detail || got.problem.title
    else {
      heard.value = got.data.result
      if (heard.value.frequency) emit('note', heard.value.frequency.number)
    }
  } catch (e) {
    fault.value = e instanceof Error ? e.message : 'Nothing was heard.'
  } finally {
    busy.value = ''
  }
}
function begin() {
  stop = new AbortController()
  busy.value = 'listening'
  void hear(() => listen((x) => (loud.value = x), stop.signal))
}
function picked(e: Event) {
  const file = (e.target as HTMLInputElement).files?.[0]
  if (file) void hear(() => fromFile(file))
}
const bars = (h: Heard) => {
  const wide = 366 / h.spectrum_strength.length
  return h.spectrum_strength.map((s, n) => ({ x: n * wide, y: 60 - 54 * Math.sqrt(s), w: Math.max(wide - 0.6, 0.8) }))
}
const place = (h: Heard, hz: number) => (366 * hz) / ((h.spectrum_hertz.at(-1) ?? 400) + (h.spectrum_hertz[0] ?? 0))
onBeforeUnmount(() => stop.abort())
</script>

<template>
  <div class="ear">
    <div class="row">
      <button v-if="busy !== 'listening'" type="button" class="key" :disabled="busy === 'working'" @click="begin">
        {{ busy === 'working' ? 'Hearing…' : 'Listen to a pluck' }}
      </button>
      <button v-else type="button" class="key" @click="stop.abort()">Stop listening</button>
      <label class="file">
        or a sound file
        <input type="file" accept="audio/*" :disabled="busy !== ''" @change="picked" />
      </label>
    </div>
    <p v-if="busy === 'listening'" role="status">
      Hold it near mid-span and pluck once. <progress :value="Math.sqrt(loud)" max="1" aria-label="Loudness" />
    </p>
    <p v-else-if="!heard && !fault" class="dim">
      The sound stays on this device but for two seconds of it, which the server hears and does not keep.
    </p>
    <p v-if="fault" class="field-fault" role="alert">{{ fault }}</p>
    <template v-if="heard">
      <p class="heard" :class="{ no: !heard.heard }" role="status">
        {{ heard.says }}
        <span v-if="heard.heard" class="dim">{{ Math.round(heard.confidence * 100) }} % sure</span>
      </p>
      <svg viewBox="0 0 366 76" class="sheet" role="img" aria-label="Spectrum of the sound, 0 to 400 Hz">
        <rect v-for="(b, n) in bars(heard)" :key="n" :x="b.x" :y="b.y" :width="b.w" :height="60 - b.y" class="bin" />
        <g v-for="p in heard.partials.slice(0, 4)" :key="p.number">
          <path :d="`M${place(heard, p.frequency.value)} 62v6`" class="tick" />
          <text :x="place(heard, p.frequency.value)" y="75" text-anchor="middle">
            {{ p.number === 1 ? p.frequency.number : `×${p.number}` }}
          </text>
        </g>
      </svg>
    </template>
  </div>
</template>

<style scoped>
.ear {
  display: grid;
  gap: 6px;
}
.file {
  color: var(--dim);
  font-size: 0.9375rem;
  display: grid;
  min-height: 48px;
}
.file input {
  max-width: 190px;
}
.heard {
  font: 600 1.375rem var(--face-label);
}
.heard.no {
  color: var(--warm);
}
svg {
  width: 100%;
}
.bin {
  fill: var(--ink);
}
.tick {
  stroke: var(--ink);
  stroke-width: 1.5;
}
text {
  font: 500 11px var(--face-figure);
  fill: var(--ink);
}
</style>

<script setup lang="ts">
import { computed, ref } from 'vue'

import type { components } from '@/api/schema'
import FaultPicture from '@/faults/FaultPicture.vue'
import { drawn } from '@/faults/drawn'

import type { Answer } from '../logic/answers'

type Sign = components['schemas']['SignOut']
// Everything that can be seen, place by place; a tap says seen, the next one looked and not so, the next takes it back.
const props = defineProps<{ signs: Sign[]; answers: Record<string, Answer>; said: Record<string, string> }>()
const emit = defineEmits<{ tap: [sign: string] }>()
const PLACES = [
  { key: 'loop', words: 'Loop' },
  { key: 'wheel', words: 'Wheels' },
  { key: 'machine', words: 'Machine' },
  { key: 'operation', words: 'Running' },
  { key: 'history', words: 'Record' },
] as const
const place = ref<(typeof PLACES)[number]['key']>('loop')
const FEW = 6
const all = ref(false)
function go(to: (typeof PLACES)[number]['key']) {
  place.value = to
  all.value = false
}
const here = computed(() => props.signs.filter((s) => s.where === place.value))
// What was answered stays in sight; of the rest a few, and all of them on demand.
const shown = computed(() => {
  if (all.value) return here.value
  const said = here.value.filter((s) => ['yes', 'no'].includes(props.answers[s.key] ?? ''))
  return here.value.filter((s) => said.includes(s) || here.value.indexOf(s) < Math.max(FEW, said.length))
})
const more = computed(() => here.value.length - shown.value.length)
const count = (key: string) =>
  props.signs.filter((s) => s.where === key && ['yes', 'no'].includes(props.answers[s.key] ?? '')).length
const WORDS: Record<string, string> = { yes: 'seen', no: 'looked: not so', 'not looked': 'not looked at' }
</script>

<template>
  <div class="board">
    <div class="places" role="tablist" aria-label="Where to look">
      <button
        v-for="p in PLACES"
        :key="p.key"
        type="button"
        role="tab"
        :aria-selected="place === p.key"
        :class="{ here: place === p.key }"
        @click="go(p.key)"
      >
        {{ p.words }} <span v-if="count(p.key)" class="figure">&nbsp;{{ count(p.key) }}</span>
      </button>
    </div>
    <p class="dim">Tap what you see; tap again for “looked: not so”.</p>
    <div class="signs">
      <button
        v-for="s in shown"
        :key="s.key"
        type="button"
        :class="['sign', answers[s.key] ?? '']"
        :aria-label="`${s.words}: ${WORDS[answers[s.key] ?? 'not looked']}`"
        @click="emit('tap', s.key)"
      >
        <FaultPicture v-if="drawn(s.picture)" :of="s.picture" />
        <span class="words">{{ s.words }}</span>
        <small>{{ s.how }}{{ s.guard === 'off' ? ' · guard off' : '' }}</small>
        <small v-if="said[s.key]" class="from">{{ said[s.key] }}</small>
        <span class="answer">{{ WORDS[answers[s.key] ?? 'not looked'] }}</span>
      </button>
    </div>
    <button v-if="more > 0" type="button" class="plain more" @click="all = true">{{ more }} more here</button>
  </div>
</template>

<style scoped>
.board {
  display: grid;
  gap: 8px;
  align-content: start;
}
.places {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: 1fr;
  border: 1px solid var(--touch);
}
.places button {
  min-height: 48px;
  border: 0;
  border-right: 1px solid var(--line);
  background: var(--sheet);
  color: var(--touch);
  font: 600 1.0625rem var(--face-label);
  padding: 0 4px;
  cursor: pointer;
}
.places .here {
  background: var(--ink);
  color: var(--sheet);
}
.signs {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(158px, 1fr));
  gap: 8px;
}
.sign {
  border: 1.5px solid var(--line);
  background: var(--sheet);
  color: var(--ink);
  padding: 8px;
  min-height: 96px;
  display: grid;
  gap: 4px;
  align-content: space-between;
  text-align: left;
  font: 400 0.9375rem/1.25 var(--face-text);
  cursor: pointer;
}
.sign .words {
  font: 600 1.0625rem/1.2 var(--face-label);
}
.sign small {
  color: var(--dim);
  font-size: 0.875rem;
}
.sign .answer {
  font: 600 0.9375rem var(--face-label);
  color: var(--dim);
  justify-self: start;
}
.sign.yes {
  border: 3px solid var(--ink);
  padding: 6.5px;
}
.sign.yes .answer {
  background: var(--ink);
  color: var(--sheet);
  padding: 1px 8px;
}
.sign.no .answer {
  border: 1.5px solid var(--ink);
  color: var(--ink);
  padding: 0 8px;
}
.more {
  min-height: 44px;
  color: var(--touch);
  text-decoration: underline;
  justify-self: start;
}
.from {
  font-style: italic;
}
</style>

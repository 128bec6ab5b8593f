<script setup lang="ts">
import { ref } from 'vue'

import StateMark from '@/shared/ui/StateMark.vue'

export interface Stage {
  key: string
  word: string
  line: string
  state: 'fine' | 'watch' | 'act' | 'none'
}
defineProps<{ stages: Stage[] }>()
const here = defineModel<string>({ required: true })
const strip = ref<HTMLElement>()
/** One stop of the keyboard, the arrows go along it. */
function along(e: KeyboardEvent, keys: string[]) {
  const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[e.key]
  const to = e.key === 'Home' ? 0 : e.key === 'End' ? keys.length - 1 : keys.indexOf(here.value) + (by ?? NaN)
  const key = keys[(to + keys.length) % keys.length]
  if (Number.isNaN(to) || !key) return
  e.preventDefault()
  here.value = key
  strip.value?.querySelector<HTMLElement>(`#stage-${key}`)?.focus()
}
const says = { fine: 'fine', watch: 'watch', act: 'act now', none: 'not yet' } as const
</script>

<template>
  <div
    ref="strip"
    class="sheet strip"
    role="tablist"
    aria-label="Stages of the work"
    @keydown="
      along(
        $event,
        stages.map((s) => s.key),
      )
    "
  >
    <button
      v-for="s in stages"
      :id="'stage-' + s.key"
      :key="s.key"
      type="button"
      role="tab"
      :aria-selected="here === s.key"
      :tabindex="here === s.key ? 0 : -1"
      :aria-controls="'panel'"
      @click="here = s.key"
    >
      <StateMark :state="s.state" :said="says[s.state]" />
      <span class="word">{{ s.word }}</span>
      <span class="line">{{ s.line }}</span>
    </button>
  </div>
</template>

<style scoped>
.strip {
  display: flex;
}
button {
  flex: 1;
  display: grid;
  grid-template: 'mark word' 'gap line' / 18px 1fr;
  column-gap: 12px;
  align-items: center;
  text-align: left;
  border: 0;
  border-right: 1px solid var(--line);
  border-top: 5px solid transparent;
  background: var(--panel);
  color: var(--ink);
  padding: 6px 12px 9px;
  min-height: 64px;
  cursor: pointer;
  min-width: 0;
  font: inherit;
}
button:last-child {
  border-right: 0;
}
button[aria-selected='true'] {
  background: var(--sheet);
  border-top-color: var(--ink);
}
.word {
  font: 600 1.1875rem var(--face-label);
}
.line {
  grid-area: line;
  color: var(--dim);
  font-size: 0.9375rem;
  line-height: 1.15;
}
@media (max-width: 700px) {
  /* Four fixed cells at the thumb, over the rail: where the work stands is never scrolled away. */
  .strip {
    position: sticky;
    bottom: 0;
    z-index: 4;
    order: 99;
    margin: 0 -10px -10px;
    border-width: 2px 0 0;
  }
  button {
    grid-template: 'mark word' 20px 'line line' auto / 18px 1fr;
    flex: 1 1 0;
    overflow: hidden;
    padding: 3px 4px 5px 7px;
    column-gap: 5px;
    min-height: 58px;
  }
  /* Letters of the device grow as far as a cell is wide: then the words keep whole. */
  .word {
    font-size: min(1.0625rem, 5.2vw);
    overflow-wrap: anywhere;
  }
  .line {
    font-size: min(0.8125rem, 4.2vw);
    height: 2.3em;
    overflow: hidden;
  }
}
</style>

<script setup lang="ts">
export interface Stage {
  key: string
  word: string
  line: string
  state: 'fine' | 'watch' | 'act' | 'none'
}
defineProps<{ stages: Stage[] }>()
const here = defineModel<string>({ required: true })
const says = { fine: 'fine', watch: 'watch', act: 'act now', none: 'not yet' } as const
</script>

<template>
  <div class="sheet strip" role="tablist" aria-label="Stages of the work">
    <button
      v-for="s in stages"
      :id="'stage-' + s.key"
      :key="s.key"
      type="button"
      role="tab"
      :aria-selected="here === s.key"
      :aria-controls="'panel'"
      @click="here = s.key"
    >
      <svg width="18" height="18" viewBox="0 0 18 18" role="img" :aria-label="says[s.state]">
        <rect v-if="s.state === 'act'" x="2" y="2" width="14" height="14" fill="var(--hot)" />
        <template v-else>
          <circle
            cx="9"
            cy="9"
            r="6.6"
            :fill="s.state === 'fine' ? 'var(--ink)' : 'none'"
            stroke="var(--ink)"
            :stroke-width="s.state === 'none' ? 1.2 : 2"
          />
          <path v-if="s.state === 'watch'" d="M9 2.4a6.6 6.6 0 0 1 0 13.2z" fill="var(--ink)" />
        </template>
      </svg>
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
  /* All four in sight, two by two: a strip that is moved sideways hides the last one. */
  .strip {
    display: grid;
    grid-template-columns: 1fr 1fr;
  }
  button {
    padding: 4px 9px 6px;
    column-gap: 8px;
    min-height: 54px;
    border-bottom: 1px solid var(--line);
  }
}
</style>

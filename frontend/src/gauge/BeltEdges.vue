<script setup lang="ts">
// The set seen from its edge: every belt its section and its number, touched to give its reading; a loose one hangs lower.
export interface Edge {
  no: number
  shown: string
  /** What the gauge showed, in the core's unit; nothing where it was not read. */
  force?: number
  state: 'fine' | 'watch' | 'act' | 'none'
  loose: boolean
  says: string
}
defineProps<{ belts: Edge[]; wide: boolean; here?: number }>()
const emit = defineEmits<{ touch: [no: number] }>()
</script>

<template>
  <div class="edges" role="group" aria-label="The belts from their edge: touch one to give its reading">
    <button
      v-for="b in belts"
      :key="b.no"
      type="button"
      :class="[b.state, { here: here === b.no }]"
      :aria-label="`${belts.length > 1 ? `Belt ${b.no}` : 'The belt'}: ${b.shown ? `${b.shown}, ${b.says}` : 'not read, give its reading'}`"
      @click="emit('touch', b.no)"
    >
      <svg width="46" height="40" viewBox="0 0 46 40" aria-hidden="true">
        <path d="M0 9H46" class="rest" />
        <path
          :d="wide ? 'M4 8h38v8H4z' : 'M9 8h28l-7 20H16z'"
          :transform="b.loose ? 'translate(0 9)' : ''"
          :class="b.shown ? 'read' : 'open'"
        />
      </svg>
      <span class="no">{{ b.no }}</span>
      <span class="figure">{{ b.shown || 'read' }}</span>
    </button>
  </div>
</template>

<style scoped>
.edges {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
button {
  display: grid;
  grid-template-columns: 46px auto;
  align-items: center;
  column-gap: 6px;
  min-height: 56px;
  min-width: 104px;
  padding: 2px 10px 2px 6px;
  border: 2px solid var(--touch);
  background: var(--sheet);
  color: var(--ink);
  cursor: pointer;
  text-align: left;
}
button.here {
  border-width: 4px;
}
svg {
  grid-row: 1 / 3;
}
.rest {
  stroke: var(--dim);
  stroke-dasharray: 4 3;
}
.read {
  fill: var(--belt);
  stroke: var(--ink);
}
.open {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}
.no {
  font: 600 0.9375rem var(--face-label);
  color: var(--dim);
}
button .figure {
  font-size: 1.125rem;
}
.none .figure {
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 3px;
  font-family: var(--face-label);
}
.act {
  border-color: var(--hot);
}
</style>

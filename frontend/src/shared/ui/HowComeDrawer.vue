<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import type { Step } from '@/api/types'
import { render } from '@/shared/format/tex'
import WideBox from './WideBox.vue'

// The working behind one figure: the step that gives it, then the steps that one takes its values from.
const props = defineProps<{ steps: Step[]; step: string | null; title: string }>()
const emit = defineEmits<{ close: [] }>()
const html = ref<Record<string, { expression: string; numbers: string; symbol: string }>>({})

const chain = computed(() => {
  const byId = new Map(props.steps.map((s) => [s.id, s]))
  const order: Step[] = []
  const walk = (id: string) => {
    const s = byId.get(id)
    if (!s || order.includes(s)) return
    order.push(s)
    s.uses.forEach(walk)
  }
  if (props.step) walk(props.step)
  return order
})
const origins: Record<string, string> = {
  recalled: 'recalled from memory',
  derived: 'derived',
  exact: 'by definition',
  assumed: 'assumed',
  'common practice': 'common practice',
  recomputed: 'recomputed',
}
const plain = (x: number) =>
  Number(x.toPrecision(4)).toLocaleString('en-US', { maximumFractionDigits: 8, useGrouping: false })
/** The value in the formula's own unit, where the person reads another one. */
const own = (s: Step) =>
  s.unit === '1' || s.shown.endsWith(' ' + s.unit) || s.shown.endsWith(s.unit) ? '' : `${plain(s.value)} ${s.unit}`
const asked = computed(() => chain.value[0])

watch(
  chain,
  async (steps) => {
    const made: typeof html.value = {}
    for (const s of steps)
      made[s.id] = {
        symbol: await render(s.symbol),
        expression: await render(s.expression),
        numbers: await render(s.numbers),
      }
    html.value = made
  },
  { immediate: true },
)
</script>

<template>
  <el-drawer :model-value="step !== null" :title="'How come: ' + title" size="min(560px, 100vw)" @close="emit('close')">
    <p v-if="asked" class="asked">
      <span class="dim">{{ asked.name }}</span> <b class="figure">{{ asked.shown }}</b>
    </p>
    <ol class="steps">
      <li v-for="s in chain" :key="s.id">
        <p class="name">
          <span
            >{{ s.name }}<template v-if="s.about">, at the {{ s.about }}</template></span
          >
          <b class="figure">{{ s.shown }}</b>
        </p>
        <p v-if="s.says" class="dim">{{ s.says }}</p>
        <!-- eslint-disable vue/no-v-html -- KaTeX output of our own formulas -->
        <WideBox v-if="s.expression" class="tex">
          <span v-html="html[s.id]?.symbol" /> = <span v-html="html[s.id]?.expression" />
        </WideBox>
        <WideBox v-if="s.expression && s.numbers !== s.expression" class="tex numbers">
          = <span v-html="html[s.id]?.numbers" />
        </WideBox>
        <WideBox v-if="!s.expression" class="tex numbers">
          <span v-html="html[s.id]?.symbol" />, {{ s.table ? 'read off the table' : 'taken as it is given'
          }}<template v-if="s.numbers"> at <span v-html="html[s.id]?.numbers" /></template>
        </WideBox>
        <!-- eslint-enable vue/no-v-html -->
        <p v-if="own(s)" class="dim">in the formula's own unit {{ own(s) }}</p>
        <p class="source">
          {{ s.source.title }}<template v-if="s.source.edition">, {{ s.source.edition }}</template> ·
          {{ origins[s.source.origin] ?? s.source.origin }} · confidence {{ s.source.confidence }}
          <router-link v-if="s.table" :to="{ path: '/handbook', hash: '#' + s.table }">table</router-link>
        </p>
      </li>
    </ol>
    <div class="shut"><button type="button" class="key main" @click="emit('close')">Close</button></div>
  </el-drawer>
</template>

<style scoped>
/* A chain of figures: each hangs on the one above it, its value on the right where the eye runs down. */
.steps {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
}
li {
  position: relative;
  padding: 10px 0 14px 26px;
  display: grid;
  gap: 3px;
}
li::before {
  content: '';
  position: absolute;
  left: 7px;
  top: 0;
  bottom: 0;
  border-left: 2px solid var(--line);
}
li:first-child::before {
  top: 18px;
}
li:last-child::before {
  bottom: auto;
  height: 18px;
}
li::after {
  content: '';
  position: absolute;
  left: 1px;
  top: 15px;
  width: 10px;
  height: 10px;
  border: 2px solid var(--ink);
  background: var(--sheet);
}
li:first-child::after {
  background: var(--ink);
}
.asked span {
  display: inline-block;
}
.asked {
  border-bottom: 3px solid var(--ink);
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 12px;
  padding-bottom: 8px;
}
.asked b {
  font-size: 1.625rem;
}
.name {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: baseline;
  gap: 0 14px;
  font: 600 1.125rem var(--face-label);
}
.name span::first-letter,
.asked span::first-letter {
  text-transform: uppercase;
}
.name span {
  display: inline-block;
}
.name .figure {
  font: 600 1.1875rem var(--face-figure);
  margin-left: auto;
}
.tex {
  padding: 4px 0;
  white-space: nowrap;
}
/* In a formula a word stays a word: the product's own face, not that of a paper. */
.tex :deep(.katex) {
  font-family: var(--face-text);
}
.tex :deep(.katex .mathnormal),
.tex :deep(.katex .mathrm),
.tex :deep(.katex .mord),
.tex :deep(.katex .text) {
  font-family: var(--face-text), KaTeX_Main, serif;
}
.tex :deep(.katex .mathnormal) {
  font-family: var(--face-text), KaTeX_Math, serif;
  font-style: italic;
}
/* A numeric line keeps its own height: two fractions under each other are not one. */
.tex :deep(.katex-display),
.tex :deep(.katex) {
  line-height: 1.5;
  white-space: nowrap;
}
/* Whole width, at the thumb. */
.shut {
  position: sticky;
  bottom: -20px;
  display: flex;
  background: var(--sheet);
  padding: 8px 0;
  margin-top: 14px;
}
.numbers {
  color: var(--dim);
}
.source {
  font-size: 0.875rem;
  color: var(--dim);
}
</style>

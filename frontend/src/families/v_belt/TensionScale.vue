<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'

import type { VBeltAnswer } from './types'

// Where it slips, what to set, in one line. Marks stand at the core's own figures; nothing is converted here.
const props = defineProps<{ answer: VBeltAnswer }>()
const host = ref<HTMLElement>()
const width = ref(660)
let watcher: ResizeObserver | undefined
onMounted(() => {
  watcher = new ResizeObserver(([e]) => e && (width.value = e.contentRect.width))
  if (host.value) watcher.observe(host.value)
})
onBeforeUnmount(() => watcher?.disconnect())

const r = computed(() => props.answer.result)
const top = computed(() => r.value.tension_new.high.value * 1.16)
const x = (newtons: number) => 10 + ((width.value - 20) * newtons) / top.value
const marks = computed(() => {
  const t = r.value
  return [
    { key: 'low', v: t.tension_run_in.low, word: '' },
    { key: 'mid', v: t.tension_new.low, word: '' },
    { key: 'high', v: t.tension_new.high, word: '' },
  ]
})
</script>

<template>
  <div ref="host" class="scale">
    <svg
      :width="width"
      height="100"
      role="img"
      :aria-label="`Static tension per belt: slips at duty power under ${r.slip_duty.shown}; run-in ${r.tension_run_in.shown}; new ${r.tension_new.shown}`"
    >
      <defs>
        <pattern id="slips" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="8" stroke="var(--hot)" stroke-width="2" />
        </pattern>
      </defs>
      <text :x="x(0)" y="20" class="word hot">SLIPS under {{ r.slip_duty.shown }}</text>
      <rect :x="x(0)" y="30" :width="x(r.slip_duty.value) - x(0)" height="32" fill="url(#slips)" />
      <rect
        :x="x(r.tension_run_in.low.value)"
        y="30"
        :width="x(r.tension_run_in.high.value) - x(r.tension_run_in.low.value)"
        height="32"
        class="runin"
      />
      <rect
        :x="x(r.tension_new.low.value)"
        y="30"
        :width="x(r.tension_new.high.value) - x(r.tension_new.low.value)"
        height="32"
        class="new"
      />
      <text :x="(x(r.tension_run_in.low.value) + x(r.tension_run_in.high.value)) / 2" y="51" class="in">
        run-in belt
      </text>
      <text :x="(x(r.tension_new.low.value) + x(r.tension_new.high.value)) / 2" y="51" class="in onnew">new</text>
      <line :x1="x(0)" :x2="width - 10" y1="62" y2="62" class="axis" />
      <template v-for="m in marks" :key="m.key">
        <line :x1="x(m.v.value)" :x2="x(m.v.value)" y1="62" y2="69" class="axis" />
        <text :x="x(m.v.value)" y="85" class="tick">{{ m.v.number }}</text>
      </template>
      <text :x="x(0)" y="85" class="tick first">0</text>
      <text :x="width - 10" y="20" class="last">static tension per belt, {{ r.static_tension.unit_shown }}</text>
    </svg>
  </div>
</template>

<style scoped>
.scale {
  overflow: hidden;
}
text {
  fill: var(--ink);
  font: 500 15px var(--face-label);
}
.hot {
  fill: var(--hot);
  font-weight: 600;
}
.in,
.tick {
  text-anchor: middle;
}
.tick {
  font: 400 0.9375rem var(--face-figure);
}
.first {
  text-anchor: start;
}
.last {
  text-anchor: end;
  font: 500 15px var(--face-label);
  fill: var(--dim);
}
.runin {
  fill: var(--touch-soft);
  stroke: var(--touch);
  stroke-width: 1.6;
}
.new {
  fill: var(--touch);
}
.onnew {
  fill: var(--on-touch);
  font-weight: 600;
}
.axis {
  stroke: var(--ink);
  stroke-width: 1.6;
}
</style>

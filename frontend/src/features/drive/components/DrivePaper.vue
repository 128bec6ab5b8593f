<script setup lang="ts">
import { computed } from 'vue'

import type { components } from '@/api/schema'
import type { Build, Drive, DriveAnswer } from '@/api/types'
import ElevationDrawing from '@/elevation/ElevationDrawing.vue'
import { fit } from '@/elevation/frame'
import { shortDate } from '@/shared/format/words'

import { figured } from '../logic/figured'

// A drive on one sheet of paper: what it is, to a round scale, its four numbers, what is isolated and by whom, the steps,
// boxes for the readings, where the figures come from. Only a printer sees it.
const props = defineProps<{
  drive: Drive
  build: Build | undefined
  answer: DriveAnswer
  belts: number
  target?: components['schemas']['TensionTargetOut']
}>()
// Millimetres on paper: the drawing is as wide as the sheet, its scale the next round one.
const W = 180
const H = 74
const ROUND = [1, 2, 2.5, 5, 10, 15, 20, 25, 30, 40, 50, 75, 100, 150, 200]
const drawn = computed(() => {
  const e = props.answer.elevation
  if (!e) return null
  const ratio = ROUND.find((r) => e.width / r <= W - 20 && e.height / r <= H - 12) ?? 200
  const frame = fit(e, W, H, { left: 6, right: 6, top: 6, bottom: 6 }, 0, 1 / ratio)
  return { e, ratio, frame }
})
const numbers = computed(() => {
  const all = props.answer.sheet?.answers ?? []
  const first = all.filter((a) => a.stage === 'tension')
  return [...first, ...all.filter((a) => a.stage === 'choose')].slice(0, 4)
})
const sources = computed(() =>
  [...new Set(props.answer.working.map((s) => [s.source.title, s.source.edition].filter(Boolean).join(', ')))].slice(
    0,
    6,
  ),
)
const boxes = computed(() => Array.from({ length: Math.max(props.belts, 1) }, (_, k) => k + 1))
const today = new Date().toISOString()
</script>

<template>
  <article class="paper" aria-hidden="true">
    <header>
      <h2>{{ drive.name }}</h2>
      <p>
        {{ drive.machine.tag }} {{ drive.machine.name }} · {{ drive.machine.area }} ·
        <b class="figure">{{ answer.sheet?.designation }}</b> · {{ shortDate(today) }}
      </p>
      <p v-if="build?.temporary">
        <b>TEMPORARY{{ build.promised_date ? ` until ${shortDate(build.promised_date)}` : '' }}:</b>
        {{ build.temporary_reason }}
      </p>
    </header>
    <section class="safe">
      <h3>Isolate first</h3>
      <p v-for="s in drive.machine.energy_sources" :key="s.id" class="tick">
        <span class="box" /> {{ s.type }}: {{ s.isolation_point }}{{ s.steps ? `, ${s.steps}` : '' }}
        <span class="fill">name</span><span class="fill short">time</span>
      </p>
      <p class="tick">
        <span class="box" /> tried to start, tested dead <span class="fill">name</span
        ><span class="fill short">time</span>
      </p>
    </section>
    <svg v-if="drawn" :width="`${W}mm`" :height="`${H}mm`" :viewBox="`0 0 ${W} ${H}`" class="drawing">
      <ElevationDrawing :elevation="drawn.e" :frame="drawn.frame" small />
      <text x="2" :y="H - 1.5">scale 1 : {{ drawn.ratio }}</text>
    </svg>
    <div class="numbers">
      <div v-for="n in numbers" :key="n.key">
        <span>{{ n.label }}</span>
        <b class="figure">{{ n.main }} {{ n.unit }}</b>
        <span>{{ n.how }}</span>
      </div>
    </div>
    <section v-if="answer.sheet">
      <h3>{{ answer.sheet.setting.title }}</h3>
      <ol>
        <li v-for="(line, k) in answer.sheet.setting.steps" :key="k">
          <template v-for="(part, n) in figured(line)" :key="n"
            ><b v-if="part.figure">{{ part.text }}</b
            ><template v-else>{{ part.text }}</template></template
          >
        </li>
      </ol>
    </section>
    <section class="readings">
      <h3>Readings{{ target ? `, ${target.axis.rulers[0]?.unit ?? ''} at ${target.deflection.shown}` : '' }}</h3>
      <span v-for="b in boxes" :key="b" class="reading"
        ><i>{{ boxes.length > 1 ? `belt ${b}` : 'reading' }}</i></span
      >
      <span class="reading wide"><i>name, date</i></span>
    </section>
    <footer>Sources: {{ sources.join(' · ') }}. Local rules and licensed trades come first.</footer>
  </article>
</template>

<style scoped>
.paper {
  display: none;
}
@media print {
  .paper {
    display: grid;
    gap: 3mm;
    font-size: 10pt;
    line-height: 1.25;
    color: #000000;
  }
  h2 {
    font-size: 18pt;
  }
  h3 {
    font-size: 12pt;
  }
  .safe {
    border: 0.5mm solid #000000;
    padding: 2mm 3mm;
  }
  .tick {
    display: flex;
    gap: 2mm;
    align-items: end;
    min-height: 6mm;
  }
  .box {
    width: 4mm;
    height: 4mm;
    border: 0.4mm solid #000000;
    flex: none;
  }
  .fill {
    border-bottom: 0.2mm solid #000000;
    width: 34mm;
    margin-left: auto;
    font-size: 7pt;
    flex: none;
  }
  .fill.short {
    width: 16mm;
    margin-left: 0;
  }
  .drawing {
    display: block;
    max-width: 100%;
  }
  .drawing text {
    font: 3px var(--face-label);
  }
  .numbers {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 2mm 6mm;
  }
  .numbers div {
    display: grid;
    border-top: 0.3mm solid #000000;
  }
  .numbers b {
    font-size: 20pt;
    line-height: 1.1;
  }
  ol {
    margin: 1mm 0;
    padding-left: 5mm;
  }
  .readings {
    display: flex;
    flex-wrap: wrap;
    gap: 2mm;
    align-items: center;
  }
  .reading {
    width: 24mm;
    height: 12mm;
    border: 0.3mm solid #000000;
    padding: 0.5mm 1mm;
    font-size: 7pt;
  }
  .reading.wide {
    width: 50mm;
  }
  footer {
    font-size: 7.5pt;
  }
}
</style>

<script setup lang="ts">
import { computed } from 'vue'

import type { components } from '@/api/schema'
import type { Elevation, Sheet } from '@/api/types'
import BeltEdges, { type Edge } from '@/gauge/BeltEdges.vue'
import HangingStrand from '@/gauge/HangingStrand.vue'
import PressedSpan from '@/gauge/PressedSpan.vue'
import SmallElevation from '@/gauge/SmallElevation.vue'
import { useSettings } from '@/shared/state/settings'

// The drawing of the Tension stage: the strand that a hand goes to, with the gauge on it, and where it is on the drive.
const props = defineProps<{
  sheet: Sheet
  elevation: Elevation
  target?: components['schemas']['TensionTargetOut']
  strand?: string
  edges: Edge[]
}>()
const emit = defineEmits<{ touch: [no: number]; whole: [] }>()
const settings = useSettings()
const by = computed(() => props.sheet.setting.by)
const pressed = computed(() => by.value === 'press' || by.value === 'press-width')
const low = computed(() => props.target?.aim.low.deflection_force?.value)
const high = computed(() => props.target?.aim.high.deflection_force?.value)
// The dial shows the belt that asks for it: the worst that was read, else nothing.
const worst = computed(
  () =>
    props.edges.find((e) => e.state === 'act') ??
    props.edges.find((e) => e.state === 'watch') ??
    props.edges.find((e) => e.shown),
)
const answer = (key: string) => props.sheet.answers.find((a) => a.key === key)
const hang = computed(() => answer(by.value === 'dip' ? 'dip' : 'hand'))
const sag = computed(() => answer('sag'))
const words = computed(
  () =>
    ({
      press:
        props.edges.length > 1
          ? 'Press one belt at a time to the mark, square to it, at mid-span'
          : 'Press it to the mark, square to it, at mid-span',
      'press-width': 'Press the whole width to the mark at mid-span, a bar across it',
      dip: 'Lay a straightedge over the level strand and measure the dip at mid-span',
      slack: 'Move the slack strand at mid-span, both ways together',
    })[by.value],
)
const arrow = computed(
  () => ({ press: 'press here', 'press-width': 'press here', dip: 'measure here', slack: 'move here' })[by.value],
)
// The slack strand of a chain is the one that a hand moves.
const strand = computed(
  () => props.strand || (by.value === 'slack' ? props.elevation.strands.find((s) => s.side === 'slack')?.id : ''),
)
</script>

<template>
  <section class="sheet gauge" aria-label="The strand to set, with the gauge on it">
    <h2>{{ words }}</h2>
    <div class="pictures">
      <PressedSpan
        v-if="pressed && target"
        :mm="target.deflection.value"
        :deflection="target.deflection.shown"
        :span="target.span.shown"
        :us="settings.units === 'us'"
        :low="low"
        :high="high"
        :now="worst?.force"
        :now-shown="worst?.shown"
        :wide="by === 'press-width'"
        :says="`${words}: ${target.deflection.shown} on a span of ${target.span.shown}`"
      />
      <HangingStrand
        v-else-if="!pressed && hang"
        :by="by === 'dip' ? 'dip' : 'slack'"
        :figure="`${hang.main} ${hang.unit}`"
        :sag="sag ? `${sag.main} ${sag.unit}` : undefined"
        :says="`${words}: ${hang.main} ${hang.unit}`"
      />
      <!-- Its place is kept while it is worked: nothing moves under a finger. -->
      <span v-else-if="pressed" class="wait" />
      <SmallElevation :elevation="elevation" :strand="strand" :word="arrow" />
    </div>
    <div class="foot">
      <BeltEdges
        v-if="by === 'press' || by === 'press-width'"
        :belts="edges"
        :wide="by === 'press-width'"
        @touch="(n: number) => emit('touch', n)"
      />
      <button type="button" class="plain whole" @click="emit('whole')">Whole drive with its sizes</button>
    </div>
  </section>
</template>

<style scoped>
.gauge {
  padding: 8px 14px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: auto 1fr auto;
  gap: 4px;
  min-height: 0;
}
h2 {
  font-size: 1.125rem;
}
.pictures {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-evenly;
  gap: 8px 24px;
  min-height: 0;
}
.wait {
  width: 344px;
  max-width: 100%;
  aspect-ratio: 344 / 232;
}
.foot {
  min-height: 60px;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 24px;
}
.whole {
  margin-left: auto;
  min-height: 48px;
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 4px;
}
</style>

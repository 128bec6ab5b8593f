<script setup lang="ts">
import { computed } from 'vue'

import type { Option } from '@/api/types'
import ElevationDrawing from '@/features/drive/components/ElevationDrawing.vue'
import { fit } from '@/features/drive/logic/layout'

const props = defineProps<{ option: Option; scale: number; picked: boolean; no?: number }>()
const emit = defineEmits<{ pick: []; work: [] }>()
const W = 250
const H = 118
const frame = computed(() =>
  fit(props.option.elevation, W, H, { left: 8, right: 8, top: 7, bottom: 7 }, 0, props.scale),
)
const kind = computed(() => (props.option.diameter_kind === 'datum' ? 'datum' : 'outside'))
</script>

<template>
  <article class="sheet option" :class="{ picked }" tabindex="-1">
    <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="`${option.name}, side view at the scale of all options`">
      <ElevationDrawing :elevation="option.elevation" :frame="frame" small />
    </svg>
    <h3 class="figure">
      <span v-if="no" class="no">{{ no }}</span
      >{{ option.name }}
    </h3>
    <dl>
      <div>
        <dt>{{ kind }} dia</dt>
        <dd>{{ option.driver_diameter.number }} / {{ option.driven_diameter.shown }}</dd>
      </div>
      <div>
        <dt>driven speed</dt>
        <dd>
          {{ option.drive.driven_speed.shown }} <small>{{ option.speed_error.number }} %</small>
        </dd>
      </div>
      <div>
        <dt>centres</dt>
        <dd>{{ option.drive.centre_distance.shown }}</dd>
      </div>
      <div>
        <dt>shaft pull, set</dt>
        <dd>{{ option.shaft_load.shown }}</dd>
      </div>
      <div>
        <dt>face width</dt>
        <dd>{{ option.width.shown }}</dd>
      </div>
      <div>
        <dt>to spare</dt>
        <dd>{{ option.drive.spare?.shown }}</dd>
      </div>
    </dl>
    <p class="reasons">{{ option.reasons.join(' · ') }}</p>
    <el-button text @click="emit('work')">How come these figures?</el-button>
    <el-button :type="picked ? 'primary' : ''" :aria-pressed="picked" @click="emit('pick')">{{
      picked ? 'Chosen' : 'Take this one'
    }}</el-button>
  </article>
</template>

<style scoped>
.option {
  padding: 8px 12px 12px;
  display: grid;
  gap: 4px;
  align-content: start;
}
.picked {
  outline: 3px solid var(--touch);
}
svg {
  width: 100%;
  height: 118px;
}
h3 {
  font-size: 22px;
  font-family: var(--face-figure);
}
.no {
  display: inline-block;
  min-width: 26px;
  margin-right: 8px;
  border: 2px solid var(--ink);
  border-radius: 50%;
  text-align: center;
  font-size: 16px;
  line-height: 22px;
  vertical-align: 3px;
}
dl {
  margin: 0;
  display: grid;
}
dl div {
  display: flex;
  justify-content: space-between;
  border-bottom: 1px dotted var(--line);
  gap: 8px;
}
dt {
  color: var(--dim);
}
dd {
  margin: 0;
  font: 600 16px var(--face-figure);
  white-space: nowrap;
}
dd small {
  font-weight: 400;
  font-size: 14px;
}
.reasons {
  font-size: 15px;
  min-height: 40px;
}
</style>

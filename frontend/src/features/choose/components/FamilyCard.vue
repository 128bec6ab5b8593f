<script setup lang="ts">
import { computed } from 'vue'

import type { FamilyOption } from '@/api/types'
import ElevationDrawing from '@/features/drive/components/ElevationDrawing.vue'
import { fit } from '@/features/drive/logic/layout'

const props = defineProps<{ option: FamilyOption; scale: number; picked: boolean }>()
const emit = defineEmits<{ pick: []; work: [] }>()
const W = 300
const H = 118
const frame = computed(() =>
  fit(props.option.elevation, W, H, { left: 8, right: 8, top: 7, bottom: 7 }, 0, props.scale),
)
</script>

<template>
  <article class="option" :class="{ picked }">
    <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="`${option.name}, side view at the scale of all options`">
      <ElevationDrawing :elevation="option.elevation" :frame="frame" small />
    </svg>
    <h3 class="figure">{{ option.name }}</h3>
    <p class="kinds">{{ option.kinds.join(', ') }}</p>
    <p class="dim telling">{{ option.telling }}</p>
    <dl>
      <div>
        <dt>driven speed</dt>
        <dd>
          {{ option.driven_speed.shown }} <small>{{ option.speed_error.number }} %</small>
        </dd>
      </div>
      <div>
        <dt>shaft pull</dt>
        <dd>{{ option.shaft_load.shown }}</dd>
      </div>
      <div>
        <dt>width</dt>
        <dd>{{ option.width.shown }}</dd>
      </div>
      <div>
        <dt>weight, about</dt>
        <dd>{{ option.weight.shown }}</dd>
      </div>
      <div>
        <dt>efficiency</dt>
        <dd>{{ option.efficiency.shown }}</dd>
      </div>
      <div>
        <dt>lost a year, about</dt>
        <dd>
          {{ option.yearly_loss.shown }}<small v-if="option.yearly_cost"> = {{ option.yearly_cost.shown }}</small>
        </dd>
      </div>
      <div>
        <dt>to spare</dt>
        <dd>{{ option.spare.shown }}</dd>
      </div>
    </dl>
    <el-button text @click="emit('work')">How come these figures?</el-button>
    <el-button :type="picked ? 'primary' : ''" :aria-pressed="picked" @click="emit('pick')">{{
      picked ? 'Chosen' : 'Take this one'
    }}</el-button>
  </article>
</template>

<style scoped>
.option {
  display: grid;
  gap: 3px;
  align-content: start;
  padding: 4px 8px 10px;
  border: 1px solid var(--line);
}
.picked {
  outline: 3px solid var(--touch);
}
svg {
  width: 100%;
  height: 118px;
}
h3 {
  font-size: 20px;
  font-family: var(--face-figure);
  line-height: 1.15;
}
.telling {
  font-size: 15px;
}
dl {
  margin: 0;
}
dl div {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  border-bottom: 1px dotted var(--line);
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
.kinds {
  min-height: 24px;
  font-weight: 600;
}
</style>

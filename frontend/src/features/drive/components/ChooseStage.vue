<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'

import { api, attempt } from '@/api/client'
import type { components } from '@/api/schema'
import type { CompareAnswer, CompareInput, Drive, Elevation, Picked, Problem, Sheet } from '@/api/types'
import FamilyBoard from '@/options/FamilyBoard.vue'
import QuestionsFieldset from '@/forms/QuestionsFieldset.vue'
import { fieldsOf } from '@/forms/duty'
import { compareInput, type Question } from '@/forms/questions'
import FaultList from '@/shared/ui/FaultList.vue'
import { useAfterSight } from '@/shared/ui/afterSight'
import { later } from '@/shared/ui/later'
import { otherFaults } from '@/shared/format/faults'
import { useSettings } from '@/shared/state/settings'

// One family looked through to the end comes after the best of each.
const looked = useAfterSight()
const InFull = later(() => import('@/options/InFull.vue'))

const props = defineProps<{
  drive: Drive
  layout?: CompareInput['layout']
  today?: Sheet | null
  standing?: Elevation | null
  around?: Around | null
}>()
const emit = defineEmits<{ pick: [picked: Picked]; duty: []; loop: [path: string, typed: string] }>()
// Round more than two wheels the wheels and their places stay; the loop may change, and what takes it up.
type Around = components['schemas']['AroundOut']
const settings = useSettings()
const board = ref<CompareAnswer>()
const problem = ref<Problem | null>(null)
const busy = ref(false)
const pickedKey = ref('')
const asked = ref<Question[]>([])
const asDrawn = ref('')
const fields = computed(() => (props.drive.duty ? fieldsOf(props.drive.duty) : null))

async function compare() {
  const duty = props.drive.duty
  // Where a drive stands its drawing says how far the shafts are apart: it is waited for.
  if (!duty || (!fieldsOf(duty).centre.trim() && props.drive.builds.length && !props.today)) return
  busy.value = true
  const input: CompareInput = {
    ...compareInput(fieldsOf(duty), asked.value, props.layout),
    series: settings.units === 'us' ? 'inch' : 'all',
  }
  // The duty may not say how far the shafts are apart; the drive that is drawn does.
  const drawn = props.today?.beside.centre_distance
  asDrawn.value = !fieldsOf(duty).centre.trim() && drawn ? drawn.shown : ''
  if (asDrawn.value && drawn) input.centre = { ...input.centre, about: drawn.value }
  const got = await attempt(api.POST('/api/calc/drive-compare', { body: { units: settings.units, input } }))
  busy.value = false
  problem.value = got.ok ? null : got.problem
  board.value = got.ok ? got.data : undefined
}
function pick(p: Picked) {
  pickedKey.value = p.key
  emit('pick', p)
}
onMounted(compare)
watch(asked, () => void compare())
watch(
  () => props.today?.beside.centre_distance.value,
  (now, before) => {
    if (now !== undefined && before === undefined) void compare()
  },
)
watch(
  () => props.drive.duty,
  () => void compare(),
)
</script>

<template>
  <div class="stage">
    <template v-if="!drive.duty">
      <h2>First say what the drive must do</h2>
      <p>Power, both speeds and about how far the shafts are apart; then every standard drive is tried.</p>
      <div class="row"><el-button type="primary" @click="emit('duty')">To the duty</el-button></div>
    </template>
    <template v-else>
      <section v-if="around" class="stays">
        <h2>The wheels stay where they are</h2>
        <p v-if="around.fits.length">Loops that its take-up reaches, and how far from its slack stop each stands:</p>
        <p v-else>
          No standard loop is known that its take-up reaches.
          {{ around.travel ? 'More travel, or another place of the take-up.' : 'Say how far its take-up moves.' }}
        </p>
        <ul v-if="around.fits.length" class="loops">
          <li v-for="f in around.fits" :key="f.designation">
            <el-button :disabled="f.on_the_drive" @click="emit('loop', f.path, f.typed)">
              {{ f.designation }}{{ f.on_the_drive ? ', on it' : '' }}
            </el-button>
            <b class="figure">{{ f.at?.shown }}</b>
          </li>
        </ul>
        <p>
          <router-link :to="`/drives/${drive.id}/change`">Another take-up, another wheel: change the drive</router-link>
        </p>
        <h2>Or two wheels in its place</h2>
      </section>
      <details class="ask" :open="!board || asked.length > 0">
        <summary>What is asked of it{{ asked.length ? '' : ': nothing special' }}</summary>
        <QuestionsFieldset v-model="asked" />
      </details>
      <p v-if="busy" role="status" class="dim">Searching every standard drive…</p>
      <p v-if="asDrawn && board" class="dim">
        The duty says no centre distance: {{ asDrawn }} is taken, as it is drawn.
      </p>
      <FaultList :faults="otherFaults(problem, [])" />
      <div v-if="problem" class="row"><el-button @click="emit('duty')">To the duty</el-button></div>
      <FamilyBoard
        v-if="board"
        :answer="board"
        :picked="pickedKey"
        :today="today"
        :standing="standing"
        @replace="emit('duty')"
        @pick="pick"
      />
      <InFull
        v-if="fields && looked"
        v-show="board || !busy"
        :duty="fields"
        :layout="layout"
        :picked="pickedKey"
        @pick="pick"
      />
    </template>
  </div>
</template>

<style scoped>
.loops {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
}
.loops li {
  display: flex;
  gap: 8px;
  align-items: center;
}
.loops :deep(.el-button) {
  min-height: 46px;
}
.stage {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
</style>

<script setup lang="ts">
import { onMounted, ref, watch } from 'vue'

import { api, attempt } from '@/api/client'
import type { components } from '@/api/schema'
import ScenePicture from '@/drawing/ScenePicture.vue'
import { shortDate } from '@/shared/format/words'
import { useSettings } from '@/shared/state/settings'
import WideBox from '@/shared/ui/WideBox.vue'
import HowCome from '@/shared/ui/HowCome.vue'
import AskHow from '@/shared/ui/AskHow.vue'

// What the gauge said at every visit since the loop was fitted, and where that goes.
const props = defineProps<{ id: string }>()
const emit = defineEmits<{ last: [reading: components['schemas']['TensionFall']['readings'][number] | undefined] }>()
const settings = useSettings()
const fall = ref<components['schemas']['TensionFall']>()
const how = ref<string | null>(null)
async function read() {
  const path = { ident: props.id }
  const got = await attempt(
    api.GET('/api/drives/{ident}/tensions', { params: { path, query: { units: settings.units } } }),
  )
  if (!got.ok) return
  fall.value = got.data
  emit('last', got.data.readings.at(-1))
}
onMounted(read)
watch(() => settings.units, read)
</script>

<template>
  <section v-if="fall?.readings.length" class="fall">
    <h2>How it has fallen</h2>
    <p class="says">
      {{ fall.says }}
      <AskHow of="where the tension goes" :step="fall.working.at(-1)?.id" @how="(s: string) => (how = s)" />
    </p>
    <div class="two">
      <ScenePicture v-if="fall.picture" :scene="fall.picture" />
      <WideBox
        ><table class="lines">
          <thead>
            <tr>
              <th scope="col">Running hours</th>
              <th scope="col">In each belt</th>
              <th scope="col">On the gauge</th>
              <th scope="col">When</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in fall.readings" :key="r.job_id">
              <td class="figure">{{ r.hours < 10 ? r.hours.toFixed(1) : Math.round(r.hours) }}</td>
              <td class="figure">{{ r.tension.shown }}</td>
              <td class="figure">{{ r.on_gauge.shown }}</td>
              <td>
                <router-link :to="`/jobs/${r.job_id}`">{{ shortDate(r.at) }}</router-link>, {{ r.by }}
              </td>
            </tr>
          </tbody>
        </table></WideBox
      >
    </div>
    <p class="dim">
      {{ fall.fitted_at ? `Fitted ${shortDate(fall.fitted_at)}; ` : 'No fit is on record; ' }}hours are counted at
      {{ fall.hours_a_day }} h a day.
    </p>
    <HowCome :steps="fall.working" :step="how" title="Where the tension goes" @close="how = null" />
  </section>
</template>

<style scoped>
.fall {
  grid-template-columns: minmax(0, 1fr);
  border-top: 1px solid var(--line);
  margin-top: 12px;
  padding-top: 12px;
  display: grid;
  gap: 8px;
}
.says {
  font: 600 1.375rem/1.25 var(--face-label);
}
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(310px, 100%), 1fr));
  gap: 16px;
  align-items: start;
}
</style>

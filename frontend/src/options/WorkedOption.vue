<script setup lang="ts">
import { ref } from 'vue'

import { calculate } from '@/api/calc'
import type { DriveAnswer, DriveInput, Options } from '@/api/types'
import HowCome from '@/shared/ui/HowCome.vue'
import { later } from '@/shared/ui/later'
import { useSettings } from '@/shared/state/settings'

const AllFigures = later(() => import('@/shared/ui/AllFigures.vue'))
// An option's figures are worked again in the open when somebody asks how they came about.
const settings = useSettings()
const worked = ref<DriveAnswer>()
const open = ref(false)
const how = ref<{ step: string | null; title: string }>({ step: null, title: '' })
async function show(calc: string, input: DriveInput, options: Options) {
  const got = await calculate<DriveAnswer>(calc, { units: settings.units, options, input })
  if (!got.ok) return
  worked.value = got.data
  open.value = true
}
defineExpose({ show })
</script>

<template>
  <AllFigures
    v-if="worked"
    v-model="open"
    :answer="worked"
    @how="(s: string, t: string) => (how = { step: s, title: t })"
  />
  <HowCome :steps="worked?.working ?? []" :step="how.step" :title="how.title" @close="how.step = null" />
</template>

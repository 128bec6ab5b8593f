<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'

import type { CalcLine } from '@/api/types'
import { readCalculation } from '@/shared/state/calculations'

import CalculatorView from './CalculatorView.vue'
import CardView from './CardView.vue'

// A question of the bench: by its card where it has one, with all its fields where somebody asks for them.
const props = defineProps<{ name: string }>()
const route = useRoute()
const calc = ref<CalcLine>()
const read = ref(false)
const byCard = computed(() => calc.value?.card && route.query.all === undefined)
onMounted(async () => {
  calc.value = await readCalculation(props.name)
  read.value = true
})
</script>

<template>
  <CardView v-if="calc && byCard" :key="name" :calc="calc" />
  <CalculatorView v-else-if="read" :key="name + 'all'" :name="name" />
  <main v-else class="page"><p class="dim" role="status">Reading…</p></main>
</template>

<script setup lang="ts">
import type { Component } from 'vue'

import type { Elevation } from '@/api/types'
import HangingStrand from '@/gauge/HangingStrand.vue'
import { useSettings } from '@/shared/state/settings'

import CrossSection from './CrossSection.vue'
import BearingPull from '../pictures/BearingPull.vue'
import ChainTape from '../pictures/ChainTape.vue'
import LossFlow from '../pictures/LossFlow.vue'
import GrooveGauge from '../pictures/GrooveGauge.vue'
import MotorSheave from '../pictures/MotorSheave.vue'
import SprocketRoots from '../pictures/SprocketRoots.vue'
import StripSection from '../pictures/StripSection.vue'
import TakeUpSlide from '../pictures/TakeUpSlide.vue'
import ToothedRim from '../pictures/ToothedRim.vue'
import TwoWheels from '../pictures/TwoWheels.vue'
import WarmHousing from '../pictures/WarmHousing.vue'
import { figureOf, type Result } from '../pictures/figure'

// The picture of a question: what is measured, and where; with an answer it stands to its figures.
defineProps<{
  kind: string
  result?: Result
  elevation?: Elevation | null
  efficiency?: number
  better?: number
  hooked?: boolean
}>()
// Pictures that need nothing but the answer.
const PLAIN: Record<string, Component> = {
  'groove-gauge': GrooveGauge,
  'take-up': TakeUpSlide,
  strip: StripSection,
  toothed: ToothedRim,
  housing: WarmHousing,
  bearings: BearingPull,
  motor: MotorSheave,
}
const settings = useSettings()
// A belt in its groove as a sketch, mm, until somebody says which.
const GROOVE: [number, number][] = [
  [-17, 0],
  [-8.5, 0],
  [-5, 14],
  [5, 14],
  [8.5, 0],
  [17, 0],
]
const BELT: [number, number][] = [
  [-8.6, -0.6],
  [8.6, -0.6],
  [5.6, 10.4],
  [-5.6, 10.4],
]
</script>

<template>
  <ChainTape v-if="kind === 'chain-tape'" :result="result" :us="settings.units === 'us'" />
  <TwoWheels v-else-if="kind === 'wheels' || kind === 'cut'" :result="result" :elevation="elevation ?? null" />
  <HangingStrand
    v-else-if="kind === 'slack'"
    by="slack"
    :figure="figureOf(result, 'hand_movement')?.shown ?? ''"
    :sag="figureOf(result, 'sag')?.shown"
    says="A strand moved by hand at mid-span"
  />
  <component :is="PLAIN[kind]" v-else-if="kind in PLAIN" :result="result" />
  <SprocketRoots v-else-if="kind === 'sprocket'" :result="result" :hooked="hooked" />
  <LossFlow v-else-if="kind === 'losses'" :result="result" :efficiency="efficiency" :better="better" />
  <CrossSection
    v-else
    :groove="(result?.groove as [number, number][] | undefined) ?? GROOVE"
    :belt="(result?.belt as [number, number][] | undefined) ?? BELT"
    :verdict="String(result?.verdict ?? '')"
    :under="figureOf(result, 'under_rim')"
    :below="figureOf(result, 'gap_below')"
  />
</template>

<script setup lang="ts">
import { computed, type Component } from 'vue'

import type { Elevation } from '@/api/types'
import ScenePicture from '@/drawing/ScenePicture.vue'
import HangingStrand from '@/gauge/HangingStrand.vue'
import { useSettings } from '@/shared/state/settings'

import CrossSection from './CrossSection.vue'
import AnswerSketch from '../pictures/AnswerSketch.vue'
import BearingPull from '../pictures/BearingPull.vue'
import ChainTape from '../pictures/ChainTape.vue'
import CrownedFace from '../pictures/CrownedFace.vue'
import DialOnRim from '../pictures/DialOnRim.vue'
import FourFeet from '../pictures/FourFeet.vue'
import JoinedEnds from '../pictures/JoinedEnds.vue'
import LinksTakenOut from '../pictures/LinksTakenOut.vue'
import LoadedBearing from '../pictures/LoadedBearing.vue'
import LossFlow from '../pictures/LossFlow.vue'
import GrooveGauge from '../pictures/GrooveGauge.vue'
import MotorPlate from '../pictures/MotorPlate.vue'
import MotorSheave from '../pictures/MotorSheave.vue'
import PlanOfWheels from '../pictures/PlanOfWheels.vue'
import PrintedBelt from '../pictures/PrintedBelt.vue'
import QuarterTurn from '../pictures/QuarterTurn.vue'
import RoundLoop from '../pictures/RoundLoop.vue'
import SizedPower from '../pictures/SizedPower.vue'
import SprocketRoots from '../pictures/SprocketRoots.vue'
import StripSection from '../pictures/StripSection.vue'
import TakeUpSlide from '../pictures/TakeUpSlide.vue'
import TaperBushing from '../pictures/TaperBushing.vue'
import ThreeLimits from '../pictures/ThreeLimits.vue'
import ToothedRim from '../pictures/ToothedRim.vue'
import TwoChains from '../pictures/TwoChains.vue'
import TwoWheels from '../pictures/TwoWheels.vue'
import WarmHousing from '../pictures/WarmHousing.vue'
import { figureOf, sceneOf, type Result } from '../pictures/figure'
import { SKETCHES } from '../pictures/sketches'

// The picture of a question: what is measured, and where; with an answer it stands to its figures.
const props = defineProps<{
  kind: string
  result?: Result
  elevation?: Elevation | null
  /** What is typed so far: some of it is drawn before it is answered. */
  typed?: Record<string, string | boolean | undefined>
}>()
const percent = (name: string) => {
  const n = Number(String(props.typed?.[name] ?? '').replace('%', ''))
  return Number.isFinite(n) && n > 0 ? n : undefined
}
// Pictures that need nothing but the answer.
const PLAIN: Record<string, Component> = {
  'groove-gauge': GrooveGauge,
  'take-up': TakeUpSlide,
  strip: StripSection,
  housing: WarmHousing,
  bearings: BearingPull,
  motor: MotorSheave,
  plan: PlanOfWheels,
  dial: DialOnRim,
  feet: FourFeet,
  quarter: QuarterTurn,
  plate: MotorPlate,
  factor: SizedPower,
  bearing: LoadedBearing,
  bushing: TaperBushing,
  crown: CrownedFace,
  joint: JoinedEnds,
  link: LinksTakenOut,
  loop: RoundLoop,
  'two-chains': TwoChains,
  limits: ThreeLimits,
}
// What the answer draws itself takes the place of its sketch.
const scene = computed(() => sceneOf(props.result))
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
  <ToothedRim v-else-if="kind.startsWith('toothed')" :result="result" :worn="kind === 'toothed'" />
  <ScenePicture v-else-if="kind in SKETCHES && scene" :scene="scene" />
  <AnswerSketch v-else-if="kind in SKETCHES" :of="kind" />
  <PrintedBelt v-else-if="kind === 'printed'" :print="String(typed?.marking ?? '')" />
  <SprocketRoots
    v-else-if="kind.startsWith('sprocket')"
    :result="result"
    :hooked="typed?.hooked === true"
    :worn="kind === 'sprocket'"
  />
  <LossFlow
    v-else-if="kind === 'losses'"
    :result="result"
    :efficiency="percent('efficiency')"
    :better="percent('better')"
  />
  <CrossSection
    v-else
    :groove="(result?.groove as [number, number][] | undefined) ?? GROOVE"
    :belt="(result?.belt as [number, number][] | undefined) ?? BELT"
    :verdict="String(result?.verdict ?? '')"
    :under="figureOf(result, 'under_rim')"
    :below="figureOf(result, 'gap_below')"
  />
</template>

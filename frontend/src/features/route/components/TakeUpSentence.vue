<script setup lang="ts">
import type { Fault } from '@/api/types'
import TypedBlank from '@/forms/TypedBlank.vue'
import { faultText } from '@/shared/format/faults'

import type { RouteTyped } from '../logic/wheels'

// What takes the loop up, as a sentence: a slide or an arm, its travel, what pulls it.
defineProps<{
  wheels: string[]
  first: string
  second: string
  units: { length: string; force: string }
  /** What happens where nothing is said. */
  otherwise: string
  faults: Fault[]
}>()
const t = defineModel<RouteTyped['take_up']>({ required: true })
</script>

<template>
  <div class="sheet clause">
    <select v-model="t.how" aria-label="take-up">
      <option value="none">{{ otherwise }}</option>
      <option value="slide">It is taken up by sliding</option>
      <option value="arm">It is taken up by an arm with</option>
    </select>
    <template v-if="t.how !== 'none'">
      <select v-model="t.wheel" aria-label="wheel that takes up">
        <option v-for="name in wheels" :key="name">{{ name }}</option>
      </select>
      <template v-if="t.how === 'slide'">
        in direction <TypedBlank v-model="t.direction" says="direction of the slide" unit="°" />
      </template>
      <template v-else>
        , its pin
        <select v-model="t.pin_how" aria-label="place of the pin">
          <option value="tapes">by two tapes:</option>
          <option value="xy">by x and y:</option>
        </select>
        <template v-if="t.pin_how === 'tapes'">
          <TypedBlank v-model="t.pin_from_first" says="pin, first tape" :unit="units.length" /> from {{ first }},
          <TypedBlank v-model="t.pin_from_second" says="pin, second tape" :unit="units.length" /> from {{ second }},
          <select v-model="t.pin_above" aria-label="pin, which of both places">
            <option :value="true">the upper place</option>
            <option :value="false">the lower place</option>
          </select>
        </template>
        <template v-else>
          <TypedBlank v-model="t.pin_x" says="pin, to the right" :unit="units.length" /> right,
          <TypedBlank v-model="t.pin_y" says="pin, up" :unit="units.length" /> up
        </template>
      </template>
      , from <TypedBlank v-model="t.low" says="travel to one stop" :unit="units.length" /> to
      <TypedBlank v-model="t.high" says="travel to the other stop" :unit="units.length" />
      <select v-model="t.by" aria-label="what pulls">
        <option value="nothing">, set and held</option>
        <option value="pull">, a spring pulls at the wheel with</option>
        <option value="weight">, a weight pulls at the wheel with</option>
        <option value="hand">, pulled at the lever by</option>
      </select>
      <TypedBlank v-if="t.by !== 'nothing'" v-model="t.pull" says="pull" :unit="units.force" />
      <template v-if="t.by === 'hand'">
        , <TypedBlank v-model="t.hand_arm" says="lever, pin to hand" :unit="units.length" /> from the pin; the wheel is
        <TypedBlank
          v-model="t.wheel_arm"
          says="lever, pin to wheel"
          :unit="units.length"
          :hint="t.how === 'arm' ? 'as drawn' : ''"
        />
        from it
      </template>
    </template>
    <slot />
    <p v-for="e in faults" :key="e.path" class="field-fault" role="alert">{{ faultText(e) }}</p>
  </div>
</template>

<style scoped src="./clause.css"></style>

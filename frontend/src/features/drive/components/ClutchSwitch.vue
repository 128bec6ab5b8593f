<script setup lang="ts">
import type { Sheet } from '@/api/types'

// A loop that is the clutch is looked at engaged or let go, where its slack says whether it drags.
defineProps<{ released: NonNullable<NonNullable<Sheet['around']>['released']> }>()
const letGo = defineModel<boolean>({ required: true })
</script>

<template>
  <div class="sheet clutch" role="group" aria-label="The clutch">
    <el-button :aria-pressed="!letGo" @click="letGo = false">Engaged</el-button>
    <el-button :aria-pressed="letGo" @click="letGo = true">Let go</el-button>
    <span v-if="letGo"
      >Slack <b class="figure">{{ released.slack.shown }}</b>{{ released.drags ? ': it drags' : '' }}</span
    >
  </div>
</template>

<style scoped>
.clutch {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  padding: 7px 14px;
  border-left: 6px solid var(--ink);
}
</style>

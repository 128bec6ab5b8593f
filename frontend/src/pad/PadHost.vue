<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import { hasFractions, open } from './ask'
import NumberPad from './NumberPad.vue'

// The one pad of the app, at the foot of the screen, for whatever field asks a number by touch.
const text = ref('')
const at = ref(0)
const unit = computed(() => open.value?.units?.[at.value] ?? open.value?.unit ?? '')
watch(open, () => {
  // What stands there is in sight as the old value; a new number begins empty.
  text.value = ''
  at.value = 0
})
const another = () => (at.value = (at.value + 1) % (open.value?.units?.length ?? 1))
function set() {
  const o = open.value
  if (o) o.answer({ typed: unit.value === o.unit ? text.value : `${text.value} ${unit.value}` })
}
</script>

<template>
  <el-drawer
    :model-value="open !== null"
    direction="btt"
    size="auto"
    :with-header="false"
    :aria-label="open?.label"
    class="pad-drawer"
    append-to-body
    @close="open?.answer(null)"
  >
    <div v-if="open" class="host">
      <div class="head">
        <h2>{{ open.label }}</h2>
        <button type="button" class="plain away" @click="open.answer({ letters: true })">letters</button>
        <button type="button" class="plain away" @click="open.answer(null)">close</button>
      </div>
      <NumberPad
        v-model="text"
        :unit="unit"
        :more="(open.units?.length ?? 0) > 1"
        :fractions="hasFractions(unit)"
        :sign="open.sign"
        :before="open.before || open.value"
        :before-typed="open.value || undefined"
        :set="open.set ?? `Set ${text || '…'}`"
        @unit="another"
        @set="set"
      />
    </div>
  </el-drawer>
</template>

<style scoped>
.host {
  max-width: 460px;
  margin: 0 auto;
}
.head {
  display: flex;
  gap: 18px;
  align-items: center;
}
h2 {
  flex: 1;
}
.away {
  min-height: 48px;
  min-width: 48px;
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 4px;
}
</style>

<style>
.pad-drawer .el-drawer__body {
  padding: 4px 10px 8px;
  background: var(--ground);
}
</style>

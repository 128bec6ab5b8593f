<script setup lang="ts">
import WordField from '@/shared/ui/WordField.vue'
import { useSettings } from '@/shared/state/settings'

const open = defineModel<boolean>({ required: true })
const settings = useSettings()
const RECHECKS = [
  { key: '24-hours', words: 'at 24 hours' },
  { key: '50-hours', words: 'at 50 running hours' },
  { key: 'all', words: 'at both' },
] as const
</script>

<template>
  <el-dialog v-model="open" title="On this device" width="min(460px, 94vw)" append-to-body>
    <div class="settings">
      <WordField v-model="settings.name" label="Your name, as it stands on what you save" />
      <div>
        <p class="label">Brightness</p>
        <el-button :type="settings.theme === 'light' ? 'primary' : ''" @click="settings.theme = 'light'"
          >Light</el-button
        >
        <el-button :type="settings.theme === 'dark' ? 'primary' : ''" @click="settings.theme = 'dark'">Dark</el-button>
      </div>
      <div>
        <p class="label">You say</p>
        <el-button :type="settings.wheelWord === 'sheave' ? 'primary' : ''" @click="settings.wheelWord = 'sheave'"
          >sheave</el-button
        >
        <el-button :type="settings.wheelWord === 'pulley' ? 'primary' : ''" @click="settings.wheelWord = 'pulley'"
          >pulley</el-button
        >
      </div>
      <div>
        <p class="label">A new loop is set again</p>
        <el-button
          v-for="r in RECHECKS"
          :key="r.key"
          :type="settings.recheck === r.key ? 'primary' : ''"
          @click="settings.recheck = r.key"
          >{{ r.words }}</el-button
        >
      </div>
      <div>
        <p class="label">The shop's record</p>
        <router-link class="way" to="/files" @click="open = false">Out and in</router-link>
        <router-link class="way" to="/report" @click="open = false">Report of a period</router-link>
      </div>
    </div>
  </el-dialog>
</template>

<style scoped>
.settings {
  display: grid;
  gap: 18px;
}
.el-button {
  margin-right: 8px;
}
</style>

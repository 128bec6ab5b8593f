<script setup lang="ts">
import WordField from '@/shared/ui/WordField.vue'
import { useSettings } from '@/shared/state/settings'

const open = defineModel<boolean>({ required: true })
const settings = useSettings()
const CHOICES = [
  {
    label: 'Brightness',
    now: () => settings.theme as string,
    take: (k: string) => (settings.theme = k as typeof settings.theme),
    choices: [
      { key: 'device', words: 'as the device' },
      { key: 'light', words: 'light' },
      { key: 'dark', words: 'dark' },
    ],
  },
  {
    label: 'You say',
    now: () => settings.wheelWord as string,
    take: (k: string) => (settings.wheelWord = k as typeof settings.wheelWord),
    choices: [
      { key: 'sheave', words: 'sheave' },
      { key: 'pulley', words: 'pulley' },
    ],
  },
  {
    label: 'A new loop is set again',
    now: () => settings.recheck as string,
    take: (k: string) => (settings.recheck = k as typeof settings.recheck),
    choices: [
      { key: '24-hours', words: 'at 24 hours' },
      { key: '50-hours', words: 'at 50 running hours' },
      { key: 'all', words: 'at both' },
    ],
  },
]
</script>

<template>
  <el-dialog v-model="open" title="On this device" width="min(460px, 94vw)" append-to-body>
    <div class="settings">
      <WordField v-model="settings.name" label="Your name, as it stands on what you save" />
      <div v-for="s in CHOICES" :key="s.label" role="group" :aria-label="s.label">
        <p class="label">{{ s.label }}</p>
        <div class="segments" translate="no">
          <button
            v-for="c in s.choices"
            :key="c.key"
            type="button"
            :class="{ here: s.now() === c.key }"
            :aria-pressed="s.now() === c.key"
            @click="s.take(c.key)"
          >
            {{ c.words }}
          </button>
        </div>
      </div>
      <WordField v-model="settings.money" label="Your money, its sign or short name" />
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
.way + .way {
  margin-left: 8px;
}
</style>

<script setup lang="ts">
import TypedBlank from '@/forms/TypedBlank.vue'
import { useSettings } from '@/shared/state/settings'

import SettingPicture from './SettingPicture.vue'

const open = defineModel<boolean>({ required: true })
const settings = useSettings()
const CHOICES = [
  {
    label: 'Brightness',
    now: () => settings.theme as string,
    take: (k: string) => (settings.theme = k as typeof settings.theme),
    choices: [
      { key: 'device', words: 'as the device', shows: 'both' },
      { key: 'light', words: 'light', shows: 'light' },
      { key: 'dark', words: 'dark', shows: 'dark' },
    ],
  },
  {
    label: 'You say',
    now: () => settings.wheelWord as string,
    take: (k: string) => (settings.wheelWord = k as typeof settings.wheelWord),
    choices: [
      { key: 'sheave', words: 'sheave', shows: 'wheel' },
      { key: 'pulley', words: 'pulley', shows: 'wheel' },
    ],
  },
  {
    label: 'A new loop is set again',
    now: () => settings.recheck as string,
    take: (k: string) => (settings.recheck = k as typeof settings.recheck),
    choices: [
      { key: '24-hours', words: 'at 24 hours', shows: 'first' },
      { key: '50-hours', words: 'at 50 running hours', shows: 'second' },
      { key: 'all', words: 'at both', shows: 'all' },
    ],
  },
]
</script>

<template>
  <el-dialog v-model="open" title="On this device" width="min(460px, 94vw)" append-to-body>
    <div class="settings">
      <p class="sentence">
        On what I save stands
        <TypedBlank v-model="settings.name" says="Your name, as it stands on what you save" :wide="14" words />
      </p>
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
            <SettingPicture :shows="c.shows" />
            {{ c.words }}
          </button>
        </div>
      </div>
      <p class="sentence">
        Money is written
        <TypedBlank v-model="settings.money" says="Your money, its sign or short name" :wide="4" words />:
        <b class="figure">428.00 ¤</b>
      </p>
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
.sentence {
  font-size: 1.125rem;
}
.segments button {
  display: inline-grid;
  justify-items: center;
  gap: 2px;
  padding: 6px 12px;
}
.way + .way {
  margin-left: 8px;
}
</style>

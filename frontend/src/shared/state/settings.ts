import { defineStore } from 'pinia'
import { ref, watch } from 'vue'

import type { Units } from '@/api/types'

function kept<T extends string>(key: string, fallback: T) {
  const value = ref<T>((localStorage.getItem(key) as T | null) ?? fallback)
  watch(value, (v) => localStorage.setItem(key, v))
  return value
}

/** What a person chose for this device: system, light or dark, the word for the part, their money, their name. */
export const useSettings = defineStore('settings', () => {
  const units = kept<Units>('tuyere.units', 'us')
  const theme = kept<'device' | 'light' | 'dark'>('tuyere.theme', 'device')
  const wheelWord = kept<'sheave' | 'pulley'>('tuyere.wheel', 'sheave')
  // The sign or short name of the shop's money.
  const money = kept<string>('tuyere.money', '$')
  // When a new loop is looked at again; the schools differ.
  const recheck = kept<'24-hours' | '50-hours' | 'all'>('tuyere.recheck', 'all')
  const name = kept<string>('tuyere.name', '')
  const device = window.matchMedia('(prefers-color-scheme: dark)')
  const applyTheme = () => {
    const dark = theme.value === 'dark' || (theme.value === 'device' && device.matches)
    document.documentElement.classList.toggle('dark', dark)
  }
  applyTheme()
  watch(theme, applyTheme)
  device.addEventListener('change', applyTheme)
  return { units, theme, wheelWord, money, recheck, name }
})

import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'

import SettingPicture from '@/features/shell/components/SettingPicture.vue'
import SettingsPanel from '@/features/shell/components/SettingsPanel.vue'
import { useSettings } from '@/shared/state/settings'

beforeEach(() => {
  setActivePinia(createPinia())
  localStorage.clear()
})

describe('what is set on a device', () => {
  const stubs = { 'el-dialog': { template: '<div><slot /></div>' }, SettingPicture: true }
  it('is pressed where it holds, and holds when pressed', async () => {
    const plugins = [
      createRouter({
        history: createMemoryHistory(),
        routes: [{ path: '/:rest(.*)*', component: { template: '<i />' } }],
      }),
    ]
    const w = mount(SettingsPanel, { props: { modelValue: true }, global: { plugins, stubs } })
    const settings = useSettings()
    for (const group of w.findAll('[role=group]')) {
      const buttons = group.findAll('button')
      for (const b of buttons) {
        await b.trigger('click')
        expect(buttons.map((x) => x.attributes('aria-pressed') === 'true')).toEqual(buttons.map((x) => x === b))
      }
    }
    expect([settings.theme, settings.wheelWord, settings.recheck]).toEqual(['dark', 'pulley', 'all'])
    const [name, money] = w.findAll('input')
    await name?.setValue('I. Rook')
    await money?.setValue('kr')
    expect([settings.name, settings.money]).toEqual(['I. Rook', 'kr'])
  })
  it.each(['both', 'light', 'dark', 'wheel', 'first', 'second', 'all'])('%s is drawn, for eyes only', (shows) => {
    const w = mount(SettingPicture, { props: { shows } })
    expect(w.get('svg').attributes('aria-hidden')).toBe('true')
    expect(w.findAll('rect, circle, path').length).toBeGreaterThan(0)
  })
  it('fills the visits that are kept: the first, the second, both', () => {
    const filled = (shows: string) =>
      mount(SettingPicture, { props: { shows } })
        .findAll('circle')
        .map((c) => c.attributes('fill') === 'currentColor')
    expect([filled('first'), filled('second'), filled('all')]).toEqual([
      [true, false],
      [false, true],
      [true, true],
    ])
  })
})

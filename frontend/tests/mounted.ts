import { mount, type VueWrapper } from '@vue/test-utils'
import { vi } from 'vitest'

import type { Drive, DriveAnswer, DriveInput } from '@/api/types'

import answer from './fixtures/answer.json'
import calculations from './fixtures/calculations.json'
import choices from './fixtures/choices.json'
import compare from './fixtures/compare.json'
import driveJson from './fixtures/drive.json'
import families from './fixtures/families.json'
import refit from './fixtures/refit.json'
import refusal from './fixtures/refusal.json'
import { freshDevice, routed, settle, type Served } from './served'

// A view on a page of its own, before a server of fixtures: what the tests of views share.
export const drive = driveJson as unknown as Drive
export const worked = answer as unknown as DriveAnswer
export const refused = { status: 422, json: refusal }
export const down = {
  status: 503,
  json: {
    type: 'tuyere:database',
    title: 'The database does not answer',
    status: 503,
    detail: 'Nothing was stored. Try again in a moment.',
    errors: [],
  },
}
/** A calculation's line by the end of its path, out of a list of them. */
export const lineOf =
  (list: { calculations: { name: string }[] }) =>
  (_: unknown, path: string): unknown =>
    list.calculations.find((c) => path.endsWith(`/${c.name}`)) ?? {
      status: 404,
      json: { title: 'Not there', status: 404 },
    }
export const common = {
  'GET /api/families': families,
  'GET /api/choices': choices,
  'GET /api/calc': calculations,
  'GET /api/calc/*': lineOf(calculations),
  'GET /api/machines': { machines: [], total: 0, areas: [] },
  'POST /api/calc/v-belt-drive': answer,
  'POST /api/calc/drive-compare': compare,
  // A plain change: the input as it was, whatever was typed; what follows from it is the server's.
  'POST /api/calc/drive-refit': (b: Record<string, unknown>) => ({
    ...refit,
    result: { input: (b.input as { input: DriveInput }).input, says: '', centre_distance: null },
  }),
  [`GET /api/drives/${drive.id}`]: driveJson,
}
export const stubs = {
  'el-button': {
    props: ['nativeType', 'disabled', 'loading', 'type', 'text'],
    template: '<button :type="nativeType || \'button\'" :disabled="disabled"><slot /></button>',
  },
  'el-input': {
    props: ['modelValue'],
    emits: ['update:modelValue'],
    inheritAttrs: false,
    template:
      '<input v-bind="$attrs" :value="modelValue" @input="$emit(\'update:modelValue\', $event.target.value)" />',
  },
  'el-checkbox': {
    props: ['modelValue', 'label'],
    emits: ['update:modelValue', 'change'],
    template:
      '<label><input type="checkbox" :checked="modelValue" @change="$emit(\'update:modelValue\', $event.target.checked); $emit(\'change\', $event.target.checked)" />{{ label }}<slot /></label>',
  },
  'el-drawer': {
    props: ['modelValue', 'title'],
    template: '<aside v-if="modelValue"><h2>{{ title }}</h2><slot /></aside>',
  },
  'el-dialog': { props: ['modelValue'], template: '<aside v-if="modelValue"><slot /></aside>' },
}
let open: VueWrapper | undefined
export async function shown(component: unknown, props: Record<string, unknown> = {}, at = '/'): Promise<VueWrapper> {
  const router = await routed(at)
  open = mount(component as never, {
    props: props as never,
    global: { plugins: [router], stubs },
    attachTo: document.body,
  }) as VueWrapper
  await settle()
  return open
}
export const press = async (w: VueWrapper, words: string) => {
  const button = w.findAll('button').find((b) => b.text().includes(words))
  if (!button) throw new Error(`no button says ${words}`)
  await button.trigger(button.attributes('type') === 'submit' ? 'submit' : 'click')
  await settle()
}
export const fill = async (w: VueWrapper, label: string, typed: string) => {
  const at = w.findAll('label').find((l) => l.text().startsWith(label))
  // A blank of a sentence has its name on itself.
  const box = at ? w.find(`[id="${at.attributes('for')}"]`) : w.find(`[aria-label="${label}"]`)
  await box.setValue(typed)
}
export const asked = (s: Served, method: string, path: string) =>
  s.asked.filter((a) => a.method === method && a.path.includes(path))

/** Before each test: a fresh device, and what the page asks of its window. */
export function freshWindow() {
  freshDevice()
  vi.stubGlobal('ResizeObserver', class { observe() {} disconnect() {} }) // prettier-ignore
  Element.prototype.scrollIntoView = () => undefined
}
/** After each test. */
export function putAway() {
  open?.unmount()
  open = undefined
  vi.unstubAllGlobals()
}

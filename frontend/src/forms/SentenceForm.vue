<script setup lang="ts">
import type { Problem } from '@/api/types'
import { faultText } from '@/shared/format/faults'
import { isBare } from '@/shared/format/units'
import { useSettings } from '@/shared/state/settings'

import type { Field } from './schema'
import { fieldAt, type Blank, type Part } from './sentence'
import TypedBlank from './TypedBlank.vue'

// The question as a sentence with blanks: what is typed stands in it, what is not typed yet is a dashed line.
const props = withDefaults(
  defineProps<{
    sentence: readonly (readonly Part[])[]
    fields: Field[]
    needed: readonly string[]
    problem: Problem | null
    /** Where a blank's field is now, where the sentence says it for every round. */
    at?: (path: string) => string
    /** What stands there without anybody having said it. */
    assumed?: (path: string) => boolean
    /** The sentence is the page's form, and its blanks are filled. */
    large?: boolean
  }>(),
  { at: (path: string) => path, assumed: () => false },
)
const typed = defineModel<Record<string, string | boolean | undefined>>({ required: true })
const settings = useSettings()

const field = (b: Blank) => fieldAt(props.at(b.path), props.fields)
function value(b: Blank): string {
  const v = typed.value[props.at(b.path)]
  const f = field(b)
  if (f?.form === 'flag') return (typeof v === 'boolean' ? v : f.on) ? 'yes' : ''
  return typeof v === 'string' ? v : ''
}
function set(b: Blank, v: string) {
  const said = field(b)?.form === 'flag' ? v === 'yes' : v || undefined
  typed.value = { ...typed.value, [props.at(b.path)]: said }
}
const turn = (path: string) => (typed.value = { ...typed.value, [path]: typed.value[path] ? undefined : true })
function unit(b: Blank): string {
  const f = field(b)
  if (f?.form !== 'quantity' || ['turns', 'count'].includes(f.kind)) return ''
  const own = settings.units === 'us' ? f.us : f.si
  return !value(b).trim() || isBare(value(b)) ? own : ''
}
/** A stop after a blank stays with it: no line begins with a comma. */
const stopAfter = (line: readonly Part[], k: number): string => {
  const next = line[k + 1]
  return typeof next === 'string' ? (/^[.,;:]/.exec(next)?.[0] ?? '') : ''
}
const words = (line: readonly Part[], k: number): string => {
  const part = line[k] as string
  const text = k > 0 && typeof line[k - 1] !== 'string' ? part.replace(/^[.,;:]\s*/, '') : part
  return text.trim()
}
const says = (b: Blank) => b.says
const fault = (b: Blank) => props.problem?.errors.find((e) => e.path === 'input.' + props.at(b.path))
const faults = (line: readonly Part[]) =>
  line.flatMap((p) => {
    const f = typeof p === 'string' ? undefined : fault(p)
    return f && typeof p !== 'string' ? [{ path: p.path, text: `${says(p)}: ${faultText(f)}` }] : []
  })
</script>

<template>
  <div class="sentence" :class="{ large }">
    <div v-for="(line, n) in sentence" :key="n" class="clause">
      <template v-for="(part, k) in line" :key="k">
        <span v-if="typeof part === 'string'">{{ words(line, k) }}</span>
        <span v-else class="held" :class="{ assumed: assumed(part.path) }">
          <span v-if="part.many" class="many" role="group" :aria-label="says(part)">
            <button
              v-for="o in part.options"
              :key="o.key"
              type="button"
              class="mark"
              :aria-pressed="typed[`${at(part.path)}.${o.key}`] === true"
              @click="turn(`${at(part.path)}.${o.key}`)"
            >
              {{ o.name }}
            </button>
          </span>
          <select
            v-else-if="part.options"
            class="pick"
            :aria-label="says(part)"
            :value="value(part)"
            @change="set(part, ($event.target as HTMLSelectElement).value)"
          >
            <option v-if="!value(part) && !part.options.some((o) => !o.key)" value="">…</option>
            <option v-for="o in part.options" :key="o.key" :value="o.key">
              {{ o.name }}
            </option>
          </select>
          <TypedBlank
            v-else
            :model-value="value(part)"
            :says="says(part)"
            :wide="part.wide ?? 7"
            :bad="fault(part) !== undefined"
            :unit="unit(part)"
            :words="field(part)?.form === 'text'"
            :hint="needed.includes(part.path) ? '…' : ''"
            @update:model-value="(v: string) => set(part as Blank, v)"
          />
          <span v-if="stopAfter(line, k)">{{ stopAfter(line, k) }}</span>
        </span>
      </template>
      <p v-for="f in faults(line)" :key="f.path" class="field-fault" role="alert">{{ f.text }}</p>
    </div>
  </div>
</template>

<style scoped>
.sentence {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  font-size: 1.25rem;
}
.clause {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 6px 7px;
}
.held {
  display: inline-flex;
  align-items: baseline;
  gap: 4px;
  max-width: 100%;
}
.pick {
  font: 500 1.25rem var(--face-text);
  color: var(--touch);
  background: var(--sheet);
  border: 0;
  border-bottom: 2px solid var(--touch);
  border-radius: 0;
  min-height: 46px;
  min-width: 46px;
  max-width: 100%;
  padding: 0 4px;
  cursor: pointer;
}
.many {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.clause > .field-fault {
  flex-basis: 100%;
  margin: 0;
}
.large {
  font-size: 1.375rem;
  line-height: 1.3;
}
.large .pick,
.large :deep(.blank) {
  background: var(--touch-soft);
}
.large :deep(.blank) {
  font-size: 1.375rem;
  font-weight: 600;
}
.large .assumed .pick,
.large .assumed :deep(.blank) {
  background: none;
  border-bottom-style: dashed;
}
</style>

<script setup lang="ts">
import TypedBlank from '@/forms/TypedBlank.vue'
import type { Field } from '@/forms/schema'
import type { Problem } from '@/api/types'
import { faultText } from '@/shared/format/faults'
import { isBare } from '@/shared/format/units'
import { useSettings } from '@/shared/state/settings'
import { wheelName } from '@/shared/format/words'

import { inRound, type Blank, type Part } from '@/speeds/tasks'

// The question as a sentence with blanks: what is typed stands in it, what is not typed yet is a dashed line.
const props = defineProps<{
  sentence: readonly (readonly Part[])[]
  fields: Field[]
  needed: readonly string[]
  round: number
  problem: Problem | null
}>()
const typed = defineModel<Record<string, string | boolean | undefined>>({ required: true })
const settings = useSettings()

const at = (b: Blank) => inRound(b.path, props.round)
const value = (b: Blank) => (typeof typed.value[at(b)] === 'string' ? (typed.value[at(b)] as string) : '')
const set = (b: Blank, v: string) => (typed.value = { ...typed.value, [at(b)]: v || undefined })
function fieldAt(path: string, among: Field[] = props.fields): Field | undefined {
  for (const f of among) {
    if (f.path === path) return f
    if (f.form === 'group' && path.startsWith(f.path + '.')) return fieldAt(path, f.fields)
    if (f.form === 'rows' && path.startsWith(f.path + '.'))
      return fieldAt(path, f.row(Number(path.slice(f.path.length + 1).split('.')[0])))
  }
  return undefined
}
function unit(b: Blank): string {
  const f = fieldAt(at(b))
  if (f?.form !== 'quantity' || ['turns', 'count'].includes(f.kind)) return ''
  const own = settings.units === 'us' ? f.us : f.si
  return !value(b).trim() || isBare(value(b)) ? own : ''
}
/** A stop after a blank stays with it: no line begins with a comma. */
const stopAfter = (line: readonly Part[], k: number): string => {
  const next = line[k + 1]
  return typeof next === 'string' ? (/^[.,;]/.exec(next)?.[0] ?? '') : ''
}
const words = (line: readonly Part[], k: number): string => {
  const part = line[k] as string
  const text = k > 0 && typeof line[k - 1] !== 'string' ? part.replace(/^[.,;]\s*/, '') : part
  return wheelName(settings.wheelWord, text)
}
const fault = (b: Blank) => props.problem?.errors.find((e) => e.path === 'input.' + at(b))
const faults = (line: readonly Part[]) =>
  line.flatMap((p) => {
    const f = typeof p === 'string' ? undefined : fault(p)
    return f && typeof p !== 'string' ? [{ path: p.path, text: `${p.says}: ${faultText(f)}` }] : []
  })
</script>

<template>
  <div class="sentence">
    <div v-for="(line, n) in sentence" :key="n" class="clause">
      <template v-for="(part, k) in line" :key="k">
        <span v-if="typeof part === 'string'">{{ words(line, k) }}</span>
        <span v-else class="held">
          <select
            v-if="part.options"
            class="blank"
            :aria-label="part.says"
            :value="value(part)"
            @change="set(part, ($event.target as HTMLSelectElement).value)"
          >
            <option v-for="o in part.options" :key="o.key" :value="o.key">
              {{ wheelName(settings.wheelWord, o.name) }}
            </option>
          </select>
          <TypedBlank
            v-else
            :model-value="value(part)"
            :says="part.says"
            :wide="part.wide ?? 7"
            :bad="fault(part) !== undefined"
            :unit="unit(part)"
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
}
select.blank {
  font: 500 1.25rem var(--face-text);
  color: var(--touch);
  background: var(--sheet);
  border: 0;
  border-bottom: 2px solid var(--touch);
  border-radius: 0;
  min-height: 46px;
  min-width: 46px;
  padding: 0 4px;
  cursor: pointer;
}
.clause > .field-fault {
  flex-basis: 100%;
  margin: 0;
}
</style>

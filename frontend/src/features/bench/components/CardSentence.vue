<script setup lang="ts">
import TypedBlank from '@/forms/TypedBlank.vue'
import type { Field } from '@/forms/schema'
import type { Problem } from '@/api/types'
import { faultText } from '@/shared/format/faults'
import { isBare } from '@/shared/format/units'
import { wheelName } from '@/shared/format/words'
import { useSettings } from '@/shared/state/settings'

import { saysOf, type Piece } from '../logic/sentence'

// The question as one sentence: what stands in a blank is the form. A dashed one is still open, or assumed.
const props = defineProps<{
  lines: Piece[][]
  problem: Problem | null
  assumed: (path: string) => boolean
  /** Values from one to the other as they are typed. */
}>()
const typed = defineModel<Record<string, string | boolean | undefined>>({ required: true })
const settings = useSettings()
const value = (f: Field) => {
  const v = typed.value[f.path]
  return typeof v === 'string' ? v : v ? 'yes' : ''
}
const set = (f: Field, v: string) =>
  (typed.value = { ...typed.value, [f.path]: f.form === 'flag' ? v === 'yes' || undefined : v || undefined })
const unit = (f: Field) => {
  if (f.form !== 'quantity' || f.kind === 'count') return ''
  const own = settings.units === 'us' ? f.us : f.si
  return !value(f).trim() || isBare(value(f)) ? own : ''
}
const fault = (f: Field) => props.problem?.errors.find((e) => e.path === 'input.' + f.path)
const say = (text: string) => wheelName(settings.wheelWord, text)
const faults = (line: Piece[]) =>
  line.flatMap((p) => {
    const f = 'field' in p ? fault(p.field) : undefined
    return f && 'field' in p ? [{ path: p.field.path, text: `${say(saysOf(p.field))}: ${faultText(f)}` }] : []
  })
/** A stop after a blank stays with it: no line begins with a comma. */
const stop = (line: Piece[], k: number) => {
  const next = line[k + 1]
  return next && 'words' in next ? (/^[.,;:]/.exec(next.words)?.[0] ?? '') : ''
}
const words = (line: Piece[], k: number, text: string) =>
  say(k > 0 && line[k - 1] && 'field' in (line[k - 1] as Piece) ? text.replace(/^[.,;:]\s*/, '') : text).trim()
</script>

<template>
  <div class="sentence">
    <div v-for="(line, n) in lines" :key="n" class="clause">
      <template v-for="(part, k) in line" :key="k">
        <span v-if="'words' in part">{{ words(line, k, part.words) }}</span>
        <span v-else class="held" :class="{ assumed: assumed(part.field.path) }">
          <select
            v-if="part.options"
            class="pick"
            :aria-label="say(saysOf(part.field))"
            :value="value(part.field)"
            @change="set(part.field, ($event.target as HTMLSelectElement).value)"
          >
            <option v-if="part.field.form !== 'flag' && !value(part.field)" value="">…</option>
            <option v-for="o in part.options" :key="o.key" :value="o.key">{{ say(o.name) }}</option>
          </select>
          <TypedBlank
            v-else
            :model-value="value(part.field)"
            :says="say(saysOf(part.field))"
            :wide="part.field.form === 'text' ? 5 : 6"
            :bad="fault(part.field) !== undefined"
            :unit="unit(part.field)"
            :words="part.field.form === 'text'"
            :hint="part.field.needed ? '…' : ''"
            @update:model-value="(v: string) => set(part.field, v)"
          />
          <span v-if="stop(line, k)" class="stop">{{ stop(line, k) }}</span>
        </span>
      </template>
      <p v-for="f in faults(line)" :key="f.path" class="field-fault" role="alert">{{ f.text }}</p>
    </div>
  </div>
</template>

<style scoped>
.sentence {
  display: grid;
  gap: 6px;
  font-size: 1.375rem;
  line-height: 1.3;
}
.clause {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 8px;
}
.held {
  display: inline-flex;
  align-items: baseline;
  max-width: 100%;
}
.pick {
  font: 500 1.25rem var(--face-text);
  color: var(--touch);
  background: var(--touch-soft);
  border: 0;
  border-bottom: 2px solid var(--touch);
  border-radius: 0;
  min-height: 46px;
  max-width: 100%;
  padding: 0 4px;
  cursor: pointer;
}
.held :deep(.blank) {
  background: var(--touch-soft);
  font-size: 1.375rem;
  font-weight: 600;
}
.assumed :deep(.blank),
.assumed .pick {
  background: none;
  border-bottom-style: dashed;
}
.clause > .field-fault {
  flex-basis: 100%;
}
</style>

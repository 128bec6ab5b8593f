<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted } from 'vue'

import { FRACTIONS, pressed, type PadKey } from './typing'

// One number with gloves on: 64 px digits, fractions beside them, the old value in sight. A keyboard works as well.
const props = defineProps<{
  unit: string
  /** Other units it may be given in: pressing the unit goes round. */
  more?: boolean
  fractions?: boolean
  sign?: boolean
  /** What stood there before, and when; it can be put back. */
  before?: string
  beforeTyped?: string
  beforeWhen?: string
  set: string
  busy?: boolean
  remark?: string
  fault?: string
}>()
const text = defineModel<string>({ required: true })
const emit = defineEmits<{ set: []; unit: [] }>()
const digits: PadKey[] = ['7', '8', '9', '4', '5', '6', '1', '2', '3']
const press = (key: PadKey) => (text.value = pressed(text.value, key))
const can = computed(() => /\d/.test(text.value) && !props.busy)
function typed(e: KeyboardEvent) {
  const at = e.target as HTMLElement | null
  if (e.ctrlKey || e.metaKey || e.altKey || (at && ['INPUT', 'TEXTAREA', 'SELECT'].includes(at.tagName))) return
  if (/^[0-9.]$/.test(e.key)) press(e.key as PadKey)
  else if (e.key === ',') press('.')
  else if (e.key === '-' && props.sign) press('sign')
  else if (e.key === 'Backspace') press('back')
  else if (e.key === 'Enter' && can.value && at?.tagName !== 'BUTTON') emit('set')
  else return
  e.preventDefault()
}
onMounted(() => window.addEventListener('keydown', typed))
onBeforeUnmount(() => window.removeEventListener('keydown', typed))
</script>

<template>
  <div class="pad" :class="{ four: fractions }">
    <div class="shown" :class="{ bad: fault }">
      <output class="figure" aria-live="polite">{{ text || '–' }}</output>
      <button v-if="more" type="button" class="unit" :aria-label="`Unit ${unit}, change`" @click="emit('unit')">
        {{ unit }}
      </button>
      <span v-else class="unit plain">{{ unit }}</span>
      <span class="beside">
        <span v-if="before" class="dim">was {{ before }}{{ beforeWhen ? ` on ${beforeWhen}` : '' }}</span>
        <strong v-if="remark">{{ remark }}</strong>
      </span>
    </div>
    <p v-if="fault" class="field-fault" role="alert">{{ fault }}</p>
    <div class="keys">
      <div class="digits">
        <button v-for="d in digits" :key="d" type="button" @click="press(d)">{{ d }}</button>
        <button type="button" aria-label="point" @click="press('.')">.</button>
        <button type="button" @click="press('0')">0</button>
        <button type="button" aria-label="take back" @click="press('back')">
          <svg viewBox="0 0 44 26" width="40" height="24" fill="none" stroke="currentColor" stroke-width="2.4">
            <path d="M14 2h28v22H14L3 13zM22 8l10 10M32 8L22 18" />
          </svg>
        </button>
      </div>
      <div v-if="fractions" class="parts">
        <button v-for="f in FRACTIONS" :key="f" type="button" @click="press(f)">{{ f }}</button>
      </div>
    </div>
    <slot />
    <div class="last">
      <button v-if="sign" type="button" class="side" @click="press('sign')">+ / −</button>
      <button v-if="beforeTyped" type="button" class="side" @click="text = beforeTyped ?? ''">
        Put back<small>{{ before }}</small>
      </button>
      <button type="button" class="go" :disabled="!can" @click="emit('set')">{{ busy ? 'Sending…' : set }}</button>
    </div>
  </div>
</template>

<style scoped>
.pad {
  display: grid;
  gap: 6px;
}
.shown {
  display: flex;
  align-items: center;
  gap: 10px;
  border: 2px solid var(--touch);
  background: var(--sheet);
  min-height: 54px;
  padding: 0 12px;
}
.shown.bad {
  border-color: var(--hot);
}
output {
  font-size: 2.75rem;
  line-height: 1.1;
  white-space: nowrap;
}
.unit {
  font: 500 1.3125rem var(--face-text);
  color: var(--touch);
  background: none;
  border: 0;
  border-bottom: 2px solid var(--touch);
  min-height: 44px;
  padding: 0 6px;
  cursor: pointer;
}
.unit.plain {
  border: 0;
  color: var(--dim);
  min-height: 0;
}
.beside {
  margin-left: auto;
  display: grid;
  text-align: right;
  font-size: 0.9375rem;
  line-height: 1.2;
}
.keys {
  display: grid;
  grid-template-columns: 1fr;
  gap: 6px;
}
.four .keys {
  grid-template-columns: 3fr 1fr;
}
.digits {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  grid-auto-rows: 64px;
  gap: 6px;
}
.parts {
  display: grid;
  gap: 6px;
}
.keys button {
  font: 500 1.875rem var(--face-figure);
  border: 1.5px solid var(--touch);
  background: var(--sheet);
  color: var(--ink);
  cursor: pointer;
  display: grid;
  place-items: center;
  touch-action: manipulation;
}
.parts button {
  font-size: 1.25rem;
  background: var(--touch-soft);
}
.keys button:active {
  background: var(--touch);
  color: var(--on-touch);
}
.last {
  display: flex;
  gap: 8px;
  position: sticky;
  bottom: 0;
  background: var(--ground);
  padding: 6px 0;
}
.last button {
  min-height: 60px;
  font: 600 1.1875rem var(--face-label);
  cursor: pointer;
  border: 2px solid var(--touch);
  background: var(--sheet);
  color: var(--touch);
  padding: 4px 14px;
}
.side small {
  display: block;
  font: 400 0.875rem var(--face-text);
}
.last .go {
  flex: 1;
  background: var(--touch);
  color: var(--on-touch);
}
.last .go:disabled {
  background: var(--panel);
  color: var(--dim);
  border-color: var(--line);
  cursor: default;
}
</style>

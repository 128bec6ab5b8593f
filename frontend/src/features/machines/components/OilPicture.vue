<script setup lang="ts">
import { computed } from 'vue'

// Where the oil or the grease goes: the part in outline, the drop over the place. What gets nothing has no drop.
const props = defineProps<{ point: string }>()

const BEARING = 'M8 50H68M14 50V44H26C26 30 30 22 38 22S50 30 50 44H62V50M38 33.5a6.5 6.5 0 1 0 .1 0'
const MOTOR =
  'M10 46V20H48V46ZM48 26H54V40H48M54 31H70V35H54M16 20V46M22 20V46M28 20V46M34 20V46M40 20V46M12 46V52H22V46M36 46V52H46V46'
const CHAIN =
  'M4 36a6 6 0 0 1 6-6h10a6 6 0 0 1 0 12H10a6 6 0 0 1-6-6ZM30 36a6 6 0 0 1 6-6h10a6 6 0 0 1 0 12H36a6 6 0 0 1-6-6ZM56 36a6 6 0 0 1 6-6h10M56 36a6 6 0 0 0 6 6h10M20 36H36M46 36H62M12 36h.1M64 36h.1'
// The outline, and where the drop hangs over it; the drop's tip is there.
const DRAWN: Record<string, { lines: string; drop?: [number, number] }> = {
  'motor-oil-port': { lines: `${MOTOR}M50 26V20H53V26`, drop: [51.5, 18] },
  'motor-grease': { lines: `${MOTOR}M49 26V22H53V26M49 40V44H53V40`, drop: [51, 20] },
  'motor-sealed': { lines: BEARING },
  'pillow-block': { lines: `${BEARING}M36 22V17H40V22M35 17H41`, drop: [38, 15] },
  'sleeve-cup': { lines: `${BEARING}M36 22V19H40V22M32 19V13H44V19Z`, drop: [38, 11] },
  'chain-hand': { lines: CHAIN, drop: [25, 26] },
  'chain-drip': { lines: `${CHAIN}M18 4H32V12L26 17H24L18 12Z`, drop: [25, 27] },
  'chain-bath': {
    lines: `M8 20V52H68V20M8 38h6M20 38h6M32 38h6M44 38h6M56 38h6M38 27a14 14 0 1 0 .1 0`,
    drop: [38, 22],
  },
  'idler-pivot': {
    lines: 'M14 46a4 4 0 1 0-.1 0M17 40 48 24M56 30a10 10 0 1 0-.1 0M56 22a2 2 0 1 0-.1 0M6 52H30',
    drop: [14, 35],
  },
  'take-up-screw': {
    lines: 'M6 50H70M10 50V34H66V50M24 34V22H50V34M50 28H70M54 25l2 6M58 25l2 6M62 25l2 6M66 25l2 6',
    drop: [60, 20],
  },
  'adjustable-wheel': { lines: 'M6 36H70M22 14V58L32 44V28ZM54 14V58L44 44V28ZM32 36H44', drop: [62, 32] },
  'gearbox-level': {
    lines:
      'M12 18H64V52H12ZM12 38h8M26 38h8M40 38h8M54 38h10M64 36h5v4h-5M30 32a7 7 0 1 0 .1 0M48 30a10 10 0 1 0 .1 0M34 18V14H42V18',
    drop: [38, 12],
  },
}
const drawn = computed(() => DRAWN[props.point] ?? { lines: BEARING })
const drop = (x: number, y: number) => `M${x} ${y}c-5-1-6-7 0-12 6 5 5 11 0 12Z`
</script>

<template>
  <svg viewBox="0 0 76 60" width="76" height="60" aria-hidden="true" fill="none" stroke="var(--ink)" stroke-width="1.6">
    <path :d="drawn.lines" stroke-linejoin="round" stroke-linecap="round" />
    <path v-if="drawn.drop" :d="drop(...drawn.drop)" fill="var(--warm)" stroke="var(--ink)" stroke-width="1" />
  </svg>
</template>

<style scoped>
svg {
  flex: none;
}
</style>

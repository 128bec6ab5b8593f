<script setup lang="ts">
// A strand that hangs: leather by its dip under a straightedge; a chain by how far a hand moves it, both ways together.
defineProps<{ by: 'dip' | 'slack'; figure: string; sag?: string; says: string }>()
</script>

<template>
  <svg class="own-size" viewBox="0 0 344 232" width="344" height="232" role="img" :aria-label="says">
    <template v-if="by === 'dip'">
      <rect x="10" y="58" width="324" height="14" class="edge" />
      <path d="M10 78Q172 150 334 78" class="strand leather" />
      <path d="M172 78V114M164 84l8-10 8 10M164 106l8 10 8-10" class="thin" />
      <text x="172" y="142" text-anchor="middle" class="big">{{ figure }}</text>
      <text x="14" y="50">straightedge over the strand</text>
      <text x="172" y="178" text-anchor="middle" class="dim">its own weight dips it; nobody presses</text>
    </template>
    <template v-else>
      <path d="M10 44H334" class="tight" stroke-dasharray="9 4" />
      <path d="M10 120Q172 66 334 120" class="strand ghost" stroke-dasharray="9 4" />
      <path d="M10 120Q172 174 334 120" class="strand" stroke-dasharray="9 4" />
      <path d="M172 96V145M164 107l8-11 8 11M164 134l8 11 8-11" class="thin" />
      <rect x="84" y="172" width="176" height="24" class="paper" />
      <text x="172" y="191" text-anchor="middle" class="big">{{ figure }}</text>
      <text x="14" y="32">tight strand: turn by hand until it is</text>
      <text x="172" y="211" text-anchor="middle">push and pull the slack one at mid-span</text>
      <text v-if="sag" x="172" y="229" text-anchor="middle" class="dim">left alone it sags about {{ sag }}</text>
    </template>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
.strand,
.tight {
  fill: none;
  stroke: var(--belt);
  stroke-width: 8;
}
.strand.leather {
  stroke-width: 5;
}
.strand.ghost {
  stroke: var(--slack);
  stroke-width: 4;
}
.edge {
  fill: var(--metal);
  stroke: var(--ink);
}
</style>

<script setup lang="ts">
import type { components } from '@/api/schema'

// The likely causes: how likely, what speaks for and against, so that a person can disagree.
defineProps<{ causes: components['schemas']['CauseOut'][]; other: number; answered: boolean }>()
</script>

<template>
  <ol class="causes">
    <li v-for="(c, n) in causes" :key="c.key">
      <span class="no figure" aria-hidden="true">{{ n + 1 }}</span>
      <div class="what">
        <h3>{{ c.words }}</h3>
        <template v-if="answered">
          <p v-if="c.speaks_for.length">
            <span class="label">for</span>
            <span>{{ c.speaks_for.map((f) => f.words).join('; ') }}</span>
          </p>
          <p v-if="c.speaks_against.length">
            <span class="label">against</span>
            <span>{{ c.speaks_against.map((f) => f.words).join('; ') }}</span>
          </p>
        </template>
      </div>
      <span class="weight" aria-hidden="true"><i :style="{ width: `${c.share}%` }" /></span>
      <span class="share figure">{{ c.share }}<small> of 100</small></span>
    </li>
  </ol>
  <p class="dim small">
    Something that is not in the list: {{ other }} of 100. The sizes are judgement of the trade, not statistics; they
    are rounded to five.
  </p>
</template>

<style scoped>
.causes {
  list-style: none;
  margin: 0;
  padding: 0;
}
.causes li {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) 120px 84px;
  gap: 2px 12px;
  align-items: start;
  border-bottom: 1px solid var(--line);
  padding: 8px 0;
}
.no {
  font-size: 1.5rem;
  font-weight: 600;
}
h3 {
  font: 600 1.25rem/1.25 var(--face-label);
  margin: 0;
}
.what p {
  display: grid;
  grid-template-columns: 56px minmax(0, 1fr);
  line-height: 1.3;
}
.weight {
  border: 1.5px solid var(--ink);
  height: 16px;
  margin-top: 6px;
}
.weight i {
  display: block;
  height: 100%;
  background: var(--ink);
}
.share {
  font-size: 1.25rem;
  font-weight: 600;
  text-align: right;
  white-space: nowrap;
}
.share small,
.small {
  font-size: 0.875rem;
  font-weight: 400;
}
@media (max-width: 560px) {
  .causes li {
    grid-template-columns: 22px minmax(0, 1fr) 80px;
  }
  .weight {
    grid-column: 2 / 3;
    grid-row: 2;
  }
  .share {
    grid-row: 1 / 3;
    grid-column: 3;
  }
}
</style>

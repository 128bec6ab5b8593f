<script setup lang="ts">
// Lines with a bar each, as long as their number; split where a part of it is only told.
defineProps<{
  title: string
  lines: { key: string; words: string; note?: string; count: number; light?: number; says: string }[]
  none: string
  foot?: string
}>()
const most = (lines: { count: number; light?: number }[]) =>
  Math.max(1e-9, ...lines.map((l) => l.count + (l.light ?? 0)))
</script>

<template>
  <section class="sheet block">
    <h2>{{ title }}</h2>
    <p v-if="!lines.length" class="dim">{{ none }}</p>
    <ul v-else>
      <li v-for="l in lines" :key="l.key">
        <span class="words"
          ><b>{{ l.words }}</b> <span v-if="l.note" class="dim">{{ l.note }}</span></span
        >
        <span class="figure says">{{ l.says }}</span>
        <span class="bars" aria-hidden="true">
          <span class="full" :style="{ width: `${(l.count / most(lines)) * 100}%` }" />
          <span v-if="l.light" class="light" :style="{ width: `${(l.light / most(lines)) * 100}%` }" />
        </span>
      </li>
    </ul>
    <p v-if="foot" class="dim foot">{{ foot }}</p>
  </section>
</template>

<style scoped>
.block {
  padding: 12px 16px;
  display: grid;
  gap: 8px;
  align-content: start;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 1px 12px;
}
.says {
  white-space: nowrap;
}
.bars {
  flex-basis: 100%;
  display: flex;
  height: 10px;
}
.full {
  background: var(--ink);
}
.light {
  border: 1.5px solid var(--ink);
  border-left-width: 0;
}
.foot {
  font-size: 0.9375rem;
}
</style>

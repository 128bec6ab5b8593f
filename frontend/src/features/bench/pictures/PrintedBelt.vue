<script setup lang="ts">
// Where print is found: on the back of a belt, or on its side; what is worn off is typed as a question mark.
const props = defineProps<{ print: string }>()
const said = () => props.print.trim().toUpperCase() || 'B 9?'
</script>

<template>
  <svg
    class="own-size"
    viewBox="0 0 900 226"
    role="img"
    aria-label="Print of a belt: on its back, or on its side; wipe it with a dry rag, hold a light across it"
  >
    <path d="M0 60Q450 22 900 60V128Q450 90 0 128Z" class="back" />
    <path d="M0 128Q450 90 900 128V150Q450 116 0 150Z" class="side" />
    <text x="450" y="96" text-anchor="middle" class="print">{{ said() }}</text>
    <text x="450" y="182" text-anchor="middle">on its back, or on its side;</text>
    <text x="450" y="214" text-anchor="middle">wipe it with a dry rag, hold a light across it</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
svg {
  width: 100%;
}
.back {
  fill: var(--belt);
}
.side {
  fill: var(--ink);
}
.print {
  fill: var(--sheet);
  font: 600 46px var(--face-figure);
}
text:not(.print) {
  font-size: 21px;
}
/* Drawn at a third of its size on a phone: what it says is not. */
@media (max-width: 700px) {
  text:not(.print) {
    font-size: 31px;
  }
}
</style>

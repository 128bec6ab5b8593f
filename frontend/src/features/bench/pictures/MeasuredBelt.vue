<script setup lang="ts">
// Where the tape goes: across the belt's top and down its side, and once round the outside.
defineProps<{ cogged?: boolean }>()
</script>

<template>
  <svg viewBox="0 0 900 300" role="img" aria-label="Where the tape goes on a belt">
    <path d="M70 78H330L286 206H114Z" class="belt" />
    <path v-if="cogged" d="M120 206q12 -34 24 0t24 0 24 0 24 0 24 0 24 0" class="cogs" />
    <path d="M70 66V36M330 66V36M70 44H330" class="thin" />
    <path d="M70 44l12-5v10zM330 44l-12-5v10z" class="solid" />
    <path d="M352 78h30M352 206h30M372 78V206" class="thin" />
    <path d="M372 78l-5 12h10zM372 206l-5-12h10z" class="solid" />
    <text x="200" y="112" text-anchor="middle">the wide side is the top</text>
    <rect x="520" y="52" width="300" height="190" rx="95" class="loop" />
    <rect x="500" y="32" width="340" height="230" rx="115" class="tape" />
    <path d="M640 22v20M664 22v20" class="mark" />
    <path d="M640 26l-16 6 16 6zM664 26l16 6-16 6z" class="solid" />
    <text x="652" y="16" text-anchor="middle">start and end meet</text>
  </svg>
</template>

<style scoped src="@/drawing/picture.css"></style>

<style scoped>
svg {
  width: 100%;
}
.belt {
  fill: var(--belt);
  stroke: var(--ink);
}
.belt + text,
.cogs {
  fill: var(--sheet);
}
text:first-of-type {
  fill: var(--sheet);
}
.loop {
  fill: none;
  stroke: var(--belt);
  stroke-width: 18;
}
.tape {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
  stroke-dasharray: 2 5;
}
.mark {
  stroke: var(--ink);
  stroke-width: 2;
}
@media (max-width: 700px) {
  text {
    font-size: 26px;
  }
}
</style>

<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref } from 'vue'

// What may be wider than the screen and is then moved sideways. Only then is it a stop of the keyboard.
const box = ref<HTMLElement>()
const inner = ref<HTMLElement>()
const wide = ref(false)
let watcher: ResizeObserver | undefined
const look = () => (wide.value = box.value ? box.value.scrollWidth > box.value.clientWidth + 1 : false)
onMounted(() => {
  watcher = new ResizeObserver(look)
  if (box.value) watcher.observe(box.value)
  // What is in it may come later than it does: a formula is set once it is asked for.
  if (inner.value) watcher.observe(inner.value)
  window.setTimeout(look, 300)
})
onBeforeUnmount(() => watcher?.disconnect())
</script>

<template>
  <div ref="box" class="wide-box" :tabindex="wide ? 0 : undefined">
    <span ref="inner" class="inner"><slot /></span>
  </div>
</template>

<style scoped>
.wide-box {
  overflow-x: auto;
}
.inner {
  display: inline-block;
  min-width: 100%;
}
</style>

<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted } from 'vue'
import { useRouter } from 'vue-router'

import type { Drive } from '@/api/types'

// The drive's own name, and the way to its sisters on the same machine: by its keys, [ and ], or a swipe along the name.
const props = defineProps<{ drive: Drive; what?: string; title?: string }>()
const router = useRouter()
const at = computed(() => props.drive.machine.drives.findIndex((d) => d.id === props.drive.id))
const before = computed(() => props.drive.machine.drives[at.value - 1])
const after = computed(() => props.drive.machine.drives[at.value + 1])
const go = (to: { id: string } | undefined) => to && void router.push(`/drives/${to.id}`)
function onKey(e: KeyboardEvent) {
  const on = e.target as HTMLElement
  if (e.ctrlKey || e.metaKey || e.altKey || /^(INPUT|TEXTAREA|SELECT)$/.test(on.tagName)) return
  if (e.key === '[') go(before.value)
  if (e.key === ']') go(after.value)
}
const SWIPE = 70
let start: { x: number; y: number } | undefined
const begin = (e: TouchEvent) => {
  const t = e.touches[0]
  start = t && { x: t.clientX, y: t.clientY }
}
function end(e: TouchEvent) {
  const t = e.changedTouches[0]
  if (!start || !t) return
  const by = t.clientX - start.x
  if (Math.abs(by) > SWIPE && Math.abs(by) > 2 * Math.abs(t.clientY - start.y)) go(by < 0 ? after.value : before.value)
}
onMounted(() => window.addEventListener('keydown', onKey))
onBeforeUnmount(() => window.removeEventListener('keydown', onKey))
</script>

<template>
  <div class="names" @touchstart.passive="begin" @touchend.passive="end">
    <h1 dir="auto">{{ drive.name }}</h1>
    <p v-if="what" class="what">
      <strong class="figure">{{ what }}</strong> <span class="dim">{{ title }}</span>
    </p>
    <span class="dim machine" dir="auto">{{ drive.machine.tag }} {{ drive.machine.name }}</span>
    <nav v-if="before || after" class="sisters" aria-label="Drives of this machine">
      <router-link v-if="before" :to="`/drives/${before.id}`" :aria-label="`Drive before: ${before.name}`"
        >‹ <span>{{ before.name }}</span></router-link
      >
      <router-link v-if="after" :to="`/drives/${after.id}`" :aria-label="`Next drive: ${after.name}`"
        ><span>{{ after.name }}</span> ›</router-link
      >
    </nav>
  </div>
</template>

<style scoped>
.names {
  display: flex;
  align-items: center;
  gap: 4px 14px;
  min-height: 44px;
}
h1 {
  overflow-wrap: anywhere;
}
.what {
  white-space: nowrap;
}
.what .figure {
  font-size: 1.125rem;
}
.machine {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  min-width: 0;
}
.sisters {
  margin-left: auto;
  display: flex;
  gap: 18px;
}
.sisters a {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  min-height: 44px;
  min-width: 44px;
  justify-content: center;
  text-decoration: none;
  font-weight: 600;
  white-space: nowrap;
}
.sisters a span {
  text-decoration: underline;
  text-underline-offset: 4px;
  max-width: 220px;
  overflow: hidden;
  text-overflow: ellipsis;
  font-weight: 400;
}
@media (max-width: 900px) {
  .names {
    flex-wrap: wrap;
    gap: 0 12px;
  }
  /* A long name of leather goes on in the next line. */
  .what {
    white-space: normal;
  }
  .machine,
  .sisters a span {
    display: none;
  }
  .sisters {
    gap: 4px;
  }
  .sisters a {
    font-size: 1.5rem;
  }
}
</style>

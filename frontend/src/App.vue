<script setup lang="ts">
import { ref, watch } from 'vue'
import { useRoute } from 'vue-router'

import SideRail from '@/features/shell/components/SideRail.vue'
import { open } from '@/pad/ask'
import AfterFrames from '@/shared/ui/AfterFrames.vue'
import { later } from '@/shared/ui/later'
import { watchOwnWords } from '@/shared/state/ownWords'
import TopBar from '@/features/shell/components/TopBar.vue'

const route = useRoute()
watchOwnWords()
const PadHost = later(() => import('@/pad/PadHost.vue'))
const padWanted = ref(false)
watch(open, () => (padWanted.value = true), { once: true })
/** Past the bar and the rail. To the page itself, not to the first thing on it: what a page is still
 * fetching may not be there yet, or may be replaced under the focus. The next Tab is the first thing. */
function toPage() {
  document.getElementById('page')?.focus()
}
</script>

<template>
  <div class="frame" :class="{ bare: route.meta.bare }">
    <a class="skip" href="#page" @click.prevent="toPage">To the page</a>
    <TopBar />
    <SideRail />
    <PadHost v-if="padWanted" />
    <div id="page" class="view" tabindex="-1">
      <!-- The frame around it first, the page in a task of its own. -->
      <AfterFrames :frames="1"
        ><router-view v-slot="{ Component, route: at }"><component :is="Component" :key="at.path" /></router-view
      ></AfterFrames>
    </div>
  </div>
</template>

<style scoped>
.skip {
  position: fixed;
  left: 8px;
  top: -60px;
  z-index: 50;
  background: var(--ink);
  color: var(--sheet);
  padding: 12px 18px;
}
.skip:focus {
  top: 4px;
}
.frame {
  display: grid;
  grid-template: 'top top' 52px 'rail view' 1fr / 76px minmax(0, 1fr);
  height: 100%;
}
.view {
  grid-area: view;
  overflow: auto;
}
.view:focus {
  outline: none;
}
@media (max-width: 700px) {
  .frame {
    grid-template: 'top' minmax(46px, auto) 'view' 1fr 'rail' 60px / minmax(0, 1fr);
  }
  /* At the machine the job has the whole screen of a phone. */
  .bare {
    grid-template: 'view' 1fr / minmax(0, 1fr);
  }
  .bare > :deep(:not(.view)) {
    display: none;
  }
}
/* On paper there is the page, whole: no frame, no box that cuts it off. */
@media print {
  .frame {
    display: block;
    height: auto;
  }
  .frame > :deep(:not(.view)) {
    display: none;
  }
  .view {
    overflow: visible;
  }
}
</style>

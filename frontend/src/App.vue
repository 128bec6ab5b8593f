<script setup lang="ts">
import { useRoute } from 'vue-router'

import SideRail from '@/features/shell/components/SideRail.vue'
import TopBar from '@/features/shell/components/TopBar.vue'

const route = useRoute()
</script>

<template>
  <div class="frame" :class="{ bare: route.meta.bare }">
    <TopBar />
    <SideRail />
    <div class="view"><router-view /></div>
  </div>
</template>

<style scoped>
.frame {
  display: grid;
  grid-template: 'top top' 52px 'rail view' 1fr / 76px minmax(0, 1fr);
  height: 100%;
}
.view {
  grid-area: view;
  overflow: auto;
}
@media (max-width: 700px) {
  .frame {
    grid-template: 'top' auto 'view' 1fr 'rail' 60px / minmax(0, 1fr);
  }
  /* At the machine the job has the whole screen of a phone. */
  .bare {
    grid-template: 'view' 1fr / minmax(0, 1fr);
  }
  .bare > :deep(:not(.view)) {
    display: none;
  }
}
</style>

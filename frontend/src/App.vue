<script setup lang="ts">
import SideRail from '@/features/shell/components/SideRail.vue'
import TopBar from '@/features/shell/components/TopBar.vue'
</script>

<template>
  <div class="frame">
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
}
</style>

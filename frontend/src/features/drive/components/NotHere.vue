<script setup lang="ts">
// A drive that cannot be shown: gone, or not reachable and never read on this device. Always a way on.
defineProps<{ why: 'offline' | 'gone' | 'failed'; detail?: string }>()
const emit = defineEmits<{ again: [] }>()
</script>

<template>
  <div class="sheet empty">
    <template v-if="why === 'offline'">
      <h1>No connection</h1>
      <p>This drive was not read on this device yet. What you typed elsewhere is kept.</p>
    </template>
    <template v-else-if="why === 'failed'">
      <h1>The drive could not be read</h1>
      <p>{{ detail || 'The server did not answer as expected.' }}</p>
    </template>
    <template v-else>
      <h1>This drive is not kept here</h1>
      <p>It may be a link from another shop, or the drive was removed.</p>
    </template>
    <div class="row">
      <el-button v-if="why !== 'gone'" type="primary" @click="emit('again')">Try again</el-button>
      <router-link class="way" to="/machines">To the machines</router-link>
      <router-link class="way" to="/bench">To the bench</router-link>
    </div>
  </div>
</template>

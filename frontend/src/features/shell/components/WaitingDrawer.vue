<script setup lang="ts">
import { again, entries, letGo } from '@/shared/state/outbox'
import { faultText } from '@/shared/format/faults'

// What waits for the server or was refused by it, one by one.
const open = defineModel<boolean>({ required: true })
const when = (iso: string) => new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
</script>

<template>
  <el-drawer v-model="open" title="Not saved yet" size="min(520px, 100vw)">
    <p v-if="!entries.length">Everything is saved.</p>
    <ul v-else>
      <li v-for="e in entries" :key="e.no">
        <strong>{{ e.label }}</strong> <span class="dim">{{ when(e.at) }}</span>
        <p v-if="e.state === 'waiting'">Waits for the server; it is sent as soon as it answers.</p>
        <template v-else>
          <p class="hot">
            Refused: {{ e.problem?.errors[0] ? faultText(e.problem.errors[0]) : e.problem?.detail || e.problem?.title }}
          </p>
          <div class="row">
            <el-button @click="again(e)">Try again</el-button>
            <el-button @click="letGo(e)">I have seen it, let it go</el-button>
          </div>
        </template>
      </li>
    </ul>
  </el-drawer>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 12px;
}
li {
  border-top: 1px solid var(--line);
  padding-top: 8px;
}
.hot {
  color: var(--hot);
  font-weight: 600;
}
</style>

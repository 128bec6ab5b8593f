<script setup lang="ts">
import { onMounted, ref } from 'vue'

import { api, attempt } from '@/api/client'
import { newId } from '@/shared/state/kept'
import { useSettings } from '@/shared/state/settings'
import type { Meter } from '@/speeds/tasks'

// A reading taken from an instrument into its blank: a simulated drive's own, or what a real one's bridge told lately.
const props = defineProps<{ drive: string; meters: readonly Meter[] }>()
const emit = defineEmits<{ read: [path: string, typed: string] }>()
const settings = useSettings()
const twin = ref(false)
const busy = ref('')
const failed = ref('')

onMounted(async () => {
  const got = await attempt(api.GET('/api/drives/{ident}/twin', { params: { path: { ident: props.drive } } }))
  twin.value = got.ok && got.data.drive_has_one
})
async function take(m: Meter) {
  busy.value = m.path
  failed.value = ''
  const got = twin.value
    ? await attempt(
        api.POST('/api/drives/{ident}/instruments', {
          params: { path: { ident: props.drive } },
          body: {
            id: newId(),
            op_id: newId(),
            created_by_name: settings.name,
            units: settings.units,
            instrument: m.instrument,
            target: m.target,
            step: '',
            reads: '',
            held: [],
            beside: {},
            running: true,
          },
        }),
      )
    : await attempt(api.GET('/api/instruments/shown', { params: { query: { quantity: m.quantity } } }))
  busy.value = ''
  if (!got.ok) {
    failed.value = got.problem.detail || got.problem.title
    return
  }
  const shown = 'typed' in got.data ? got.data : got.data.shown[0]
  if (shown) emit('read', m.path, m.quantity === 'current' ? String(shown.value) : shown.typed)
  else failed.value = 'No instrument told anything in the last hour: type what it shows.'
}
</script>

<template>
  <div v-if="meters.length" class="meters">
    <el-button v-for="m in meters" :key="m.path" :loading="busy === m.path" @click="take(m)">{{ m.says }}</el-button>
    <span v-if="twin" class="dim">A simulated drive answers.</span>
    <p v-if="failed" class="field-fault" role="alert">{{ failed }}</p>
  </div>
</template>

<style scoped>
.meters {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 10px;
  align-items: center;
}
.meters :deep(.el-button) {
  min-height: 46px;
  margin: 0;
}
.meters p {
  flex-basis: 100%;
  margin: 0;
}
</style>

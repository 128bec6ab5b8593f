<script setup lang="ts">
import { ref } from 'vue'

// A drawing as files: PDF to the scale it says, DXF true to size. It is worked again by the core from the same question.
const props = defineProps<{ calc: string; body: Record<string, unknown>; kinds?: readonly string[] }>()
const failed = ref('')
const busy = ref('')

async function fetchFile(kind: string) {
  busy.value = kind
  failed.value = ''
  try {
    const got = await fetch(`/api/calc/${props.calc}/picture/${kind}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(props.body),
    })
    if (!got.ok) throw new Error(String(got.status))
    const link = document.createElement('a')
    link.href = URL.createObjectURL(await got.blob())
    link.download = `${props.calc}.${kind}`
    link.click()
    setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
  } catch {
    failed.value = 'The drawing did not come. Try again when the server answers.'
  }
  busy.value = ''
}
</script>

<template>
  <div class="files">
    <span class="dim">Drawing as</span>
    <el-button
      v-for="k in kinds ?? ['pdf', 'dxf', 'svg']"
      :key="k"
      :loading="busy === k"
      :aria-label="`Drawing as ${k.toUpperCase()}`"
      @click="fetchFile(k)"
      >{{ k.toUpperCase() }}</el-button
    >
    <p v-if="failed" class="field-fault" role="alert">{{ failed }}</p>
  </div>
</template>

<style scoped>
.files {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
}
.files :deep(.el-button) {
  min-height: 46px;
  min-width: 64px;
  margin: 0;
}
</style>

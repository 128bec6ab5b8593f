<script setup lang="ts">
import { ref, watch } from 'vue'

import { render } from '@/shared/format/tex'
import { useNear } from '@/shared/ui/near'
import WideBox from '@/shared/ui/WideBox.vue'

// A formula as it is printed. It is set when it comes near: hundreds of them would hold up the page, and the setting of
// them would be fetched by who only looks for a table.
const props = defineProps<{ symbol: string; expression: string }>()
const box = ref<HTMLElement>()
const html = ref('')
const near = useNear(box)
watch(
  () => near.value && `${props.symbol} = ${props.expression}`,
  async (tex) => {
    if (tex) html.value = await render(tex)
  },
  { immediate: true },
)
</script>

<template>
  <div ref="box" class="tex">
    <!-- eslint-disable-next-line vue/no-v-html -- KaTeX output of our own formulas -->
    <WideBox><span v-html="html" /></WideBox>
  </div>
</template>

<style scoped>
/* Room for it before it is set, so that nothing jumps. */
.tex {
  min-height: 3rem;
  padding: 4px 0;
}
</style>

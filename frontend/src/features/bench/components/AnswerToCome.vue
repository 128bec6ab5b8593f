<script setup lang="ts">
// The room of an answer before it stands: what it will say, each on its rule, so that nobody fills in a form blind.
defineProps<{ tells: readonly string[] }>()
</script>

<template>
  <div class="sheet to-come">
    <dl v-if="tells.length">
      <div v-for="t in tells" :key="t">
        <dt>{{ t }}</dt>
        <dd class="figure"><span aria-hidden="true">–</span><span class="visually-hidden">not worked yet</span></dd>
      </div>
    </dl>
    <p class="dim">Fields with ● are needed; what stays empty is left open or assumed, and said so.</p>
  </div>
</template>

<style scoped>
.to-come {
  padding: 8px 16px 12px;
  display: grid;
  gap: 10px;
}
dl {
  margin: 0;
}
dl div {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  min-height: 46px;
  border-bottom: 1px solid var(--line);
}
dd {
  margin: 0;
  color: var(--dim);
}
</style>

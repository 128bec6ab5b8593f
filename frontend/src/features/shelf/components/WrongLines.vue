<script setup lang="ts">
// Lines of a list that were not understood, each with its reason.
defineProps<{ wrong: { line: number; text: string; reason: string; allowed: string }[] }>()
</script>

<template>
  <div v-if="wrong.length" class="scroll">
    <table class="lines">
      <thead>
        <tr>
          <th scope="col">Line</th>
          <th scope="col">It says</th>
          <th scope="col">What is wrong</th>
          <th scope="col">What would do</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="w in wrong" :key="w.line">
          <td class="figure">{{ w.line }}</td>
          <td>{{ w.text }}</td>
          <td class="wrong">{{ w.reason }}</td>
          <td>{{ w.allowed }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
.wrong {
  color: var(--hot);
  font-weight: 600;
}
</style>

<script setup lang="ts">
import { questions, type Question } from './questions'

const asked = defineModel<Question[]>({ required: true })
</script>

<template>
  <fieldset>
    <legend class="label">What is asked of it</legend>
    <el-checkbox-group v-model="asked">
      <el-checkbox v-for="q in questions" :key="q.key" :value="q.key" :label="q.words" class="q" />
    </el-checkbox-group>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  min-width: 0;
}
.q {
  min-height: 44px;
  margin-right: 18px;
}
</style>

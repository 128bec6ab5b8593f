<script setup lang="ts">
import { computed } from 'vue'

import type { DriveAnswer, Machine } from '@/api/types'
import { formsOf } from '@/families'
import IsolationList from '@/shared/ui/IsolationList.vue'

import { figured } from '../logic/figured'

const props = defineProps<{ answer: DriveAnswer; family: string; sources: Machine['energy_sources'] }>()
const setting = computed(() => props.answer.sheet?.setting)
const scale = computed(() => formsOf(props.family).scale)
</script>

<template>
  <div v-if="setting" class="tension" :class="{ plain: !scale }">
    <section v-if="scale">
      <h2>{{ scale.title }}</h2>
      <component :is="scale.component" :answer="answer" />
      <p class="dim">{{ setting.remark }}</p>
    </section>
    <section>
      <h2>{{ setting.title }}</h2>
      <ol>
        <li v-for="(line, k) in setting.steps" :key="k">
          <template v-for="(part, n) in figured(line)" :key="n"
            ><b v-if="part.figure" class="figure">{{ part.text }}</b
            ><template v-else>{{ part.text }}</template></template
          >
        </li>
      </ol>
      <p v-if="setting.room">
        <template v-for="(part, n) in figured(setting.room)" :key="n"
          ><b v-if="part.figure" class="figure">{{ part.text }}</b
          ><template v-else>{{ part.text }}</template></template
        >
      </p>
      <p v-if="!scale" class="dim">{{ setting.remark }}</p>
    </section>
    <IsolationList :sources="sources" class="safe" />
  </div>
</template>

<style scoped>
.tension {
  display: grid;
  grid-template-columns: minmax(0, 1.35fr) minmax(0, 1fr);
  gap: 8px 28px;
}
.plain {
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
}
.safe {
  grid-column: 1 / 3;
}
.plain .safe {
  grid-column: 2;
}
ol {
  padding-left: 20px;
  margin: 6px 0;
}
li {
  margin-bottom: 3px;
}
b.figure {
  white-space: nowrap;
}
@media (max-width: 900px) {
  .tension,
  .plain {
    grid-template-columns: minmax(0, 1fr);
  }
  .safe,
  .plain .safe {
    grid-column: 1;
    grid-row: 1;
  }
}
</style>

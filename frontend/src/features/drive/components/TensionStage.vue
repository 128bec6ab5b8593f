<script setup lang="ts">
import type { DriveAnswer, Machine } from '@/api/types'
import IsolationList from '@/shared/ui/IsolationList.vue'

import TensionScale from './TensionScale.vue'

defineProps<{ answer: DriveAnswer; sources: Machine['energy_sources'] }>()
</script>

<template>
  <div class="tension">
    <section>
      <h2>Where it slips, and where to set it</h2>
      <TensionScale :answer="answer" />
      <p class="dim">
        The deflection stiffness of the belt behind the forces is recalled with low confidence. A number from the machine's maker
        comes first: write it on the machine.
      </p>
    </section>
    <section>
      <h2>Set it</h2>
      <ol>
        <li>Slacken the take-up fully; lay the belts in, never pry or roll them on.</li>
        <li>
          Free span <b class="figure">{{ answer.result.span.shown }}</b>: press one belt at mid-span, square to it, by
          <b class="figure">{{ answer.result.deflection.shown }}</b>.
        </li>
        <li>
          Read the force. New belt <b class="figure">{{ answer.result.deflection_force_new.shown }}</b>, run-in belt
          <b class="figure">{{ answer.result.deflection_force_run_in.shown }}</b>, per belt.
        </li>
        <li>Every belt of the set; take the average. Check alignment again while tightening.</li>
        <li>New belts relax: check again after 24 hours of running.</li>
      </ol>
      <p v-if="answer.result.take_up">
        Room: centres <b class="figure">{{ answer.result.installation?.shown }}</b> closer to fit,
        <b class="figure">{{ answer.result.take_up.shown }}</b> further to take up.
      </p>
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
.safe {
  grid-column: 1 / 3;
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
  .tension {
    grid-template-columns: minmax(0, 1fr);
  }
  .safe {
    grid-column: 1;
    grid-row: 1;
  }
}
</style>

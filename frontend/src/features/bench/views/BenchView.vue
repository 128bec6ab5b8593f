<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'

import type { CalcLine } from '@/api/types'
import { grouped } from '@/shared/format/grouped'
import { readCalculations } from '@/shared/state/calculations'
import { setPlace } from '@/shared/state/place'
import { useSlices } from '@/shared/ui/slices'
import { TASKS } from '@/speeds/tasks'

import CardPicture from '../components/CardPicture.vue'
import { lately } from '../logic/lately'
import { topicOf, TOPICS } from '../logic/topics'

// By what a person wants to know, each with the sketch of what it measures; the plain forms below.
const list = ref<CalcLine[]>([])
const read = ref(false)
const bench = computed(() => list.value.filter((c) => c.bench))
const topics = computed(() =>
  TOPICS.map((topic) => ({
    topic,
    cards: bench.value.filter((c) => c.card && topicOf(c) === topic),
    more: bench.value.filter((c) => !c.card && topicOf(c) === topic),
  })).filter((t) => t.cards.length + t.more.length),
)
// A topic at every frame: twenty sketches made at once would hold up the first touch.
const standing = useSlices(() => topics.value, 1)
const whole = computed(() => read.value && standing.value.length === topics.value.length)
const again = computed(() =>
  lately().flatMap((name) => {
    const c = bench.value.find((x) => x.name === name)
    return c ? [c] : []
  }),
)
const sections = ref<HTMLElement[]>([])
/** To the questions of a topic; the focus goes along. */
function jump(no: number) {
  sections.value[no]?.scrollIntoView({ block: 'start' })
  sections.value[no]?.querySelector('h2')?.focus({ preventScroll: true })
}
const ORDER = [
  'Any drive',
  'Speeds',
  'Alignment and tension',
  'V-belts',
  'Roller chain',
  'Synchronous belts',
  'Flat, round and link belts',
  'Motors and shafts',
  'Upkeep',
]
const place = (group: string) => (ORDER.includes(group) ? ORDER.indexOf(group) : ORDER.length)
const groups = computed(() => {
  const rest = bench.value.filter((c) => !topicOf(c))
  return grouped(rest, (c) => c.group).sort(([a], [b]) => place(a) - place(b))
})
onMounted(async () => {
  setPlace('Bench')
  list.value = await readCalculations()
  read.value = true
})
</script>

<template>
  <main class="page">
    <h1>Bench</h1>
    <nav v-if="again.length" class="again" aria-label="Asked lately">
      <span class="dim">lately</span>
      <router-link v-for="c in again" :key="c.name" :to="`/bench/${c.name}`">{{ c.card?.asks ?? c.title }}</router-link>
    </nav>
    <p v-if="!read" class="dim" role="status">Laying out the bench…</p>
    <div v-else class="tools">
      <router-link to="/choose" class="sheet tool">
        <h2>Choose a drive for a duty</h2>
        <p>Power and speeds in; every standard drive is tried, the best are drawn side by side.</p>
      </router-link>
      <router-link to="/what-belt" class="sheet tool">
        <h2>What is this belt?</h2>
        <p>From its print, from a tape, or from the sheaves alone.</p>
      </router-link>
      <router-link to="/route" class="sheet tool">
        <h2>A drive with idlers and levers</h2>
        <p>Any number of wheels from tape measures: drawn to scale, every strand's pull, which slips first.</p>
      </router-link>
    </div>
    <nav v-if="read" class="jump" aria-label="Questions by what they are about">
      <button v-for="(t, k) in topics" :key="t.topic" type="button" class="mark" @click="jump(k)">
        {{ t.topic }} <span class="figure">{{ t.cards.length + t.more.length }}</span>
      </button>
    </nav>
    <section v-for="t in standing" :key="t.topic" ref="sections" class="group">
      <h2 tabindex="-1">{{ t.topic }}</h2>
      <div class="tools">
        <router-link v-for="c in t.cards" :key="c.name" :to="`/bench/${c.name}`" class="sheet tool drawn">
          <h3>{{ c.card?.asks ?? '' }}</h3>
          <span class="sketch" aria-hidden="true"><CardPicture :kind="c.card?.picture ?? ''" /></span>
        </router-link>
      </div>
      <p v-if="t.more.length" class="plainer">
        <router-link v-for="c in t.more" :key="c.name" :to="`/bench/${c.name}`">{{ c.title }}</router-link>
      </p>
    </section>
    <section v-if="whole" class="group">
      <h2>It must turn at another speed</h2>
      <div class="tools">
        <router-link v-for="t in TASKS" :key="t.key" :to="`/speeds/${t.key}`" class="sheet tool">
          <h3>{{ t.title }}</h3>
          <p>{{ t.asks }}</p>
        </router-link>
      </div>
    </section>
    <section v-if="whole" class="group">
      <h2>Every other calculation</h2>
      <details v-for="[group, calcs] in groups" :key="group" class="sheet more">
        <summary>
          {{ group }} <span class="dim">{{ calcs.length }}</span>
        </summary>
        <ul>
          <li v-for="c in calcs" :key="c.name">
            <router-link :to="`/bench/${c.name}`">{{ c.title }}</router-link>
            <span class="dim">{{ c.summary }}</span>
          </li>
        </ul>
      </details>
    </section>
  </main>
</template>

<style scoped>
.tools {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
  gap: 10px;
}
.tool {
  padding: 12px 14px;
  color: var(--ink);
  text-decoration: none;
  display: grid;
  gap: 6px;
  align-content: start;
  min-height: 92px;
}
.tool h2,
.tool h3 {
  color: var(--touch);
  text-decoration: underline;
  text-underline-offset: 4px;
}
.plainer {
  display: flex;
  flex-wrap: wrap;
  gap: 0 24px;
  margin: 0;
}
.jump {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.plainer a {
  display: grid;
  align-items: center;
  min-height: 44px;
}
.drawn {
  grid-template-rows: auto 1fr;
}
.sketch {
  display: grid;
  place-items: center;
  height: 112px;
  overflow: hidden;
}
.sketch :deep(svg) {
  max-height: 112px;
  width: 100%;
}
.sketch :deep(figure) {
  border: 0;
  padding: 0;
  background: none;
}
.sketch :deep(text) {
  display: none;
}
.group {
  display: grid;
  gap: 8px;
}
.again {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: center;
}
.again a {
  display: inline-grid;
  align-items: center;
  min-height: 48px;
}
.more summary {
  min-height: 56px;
  padding: 0 14px;
  display: flex;
  gap: 10px;
  align-items: center;
  font: 600 1.125rem var(--face-label);
  color: var(--touch);
  cursor: pointer;
}
.more ul {
  list-style: none;
  margin: 0;
  padding: 0 14px 8px;
}
.more li {
  display: grid;
  grid-template-columns: minmax(220px, 1fr) 2fr;
  gap: 4px 18px;
  align-items: center;
  min-height: 48px;
  border-top: 1px solid var(--line);
}
.more a {
  min-height: 48px;
  display: grid;
  align-items: center;
}
@media (max-width: 700px) {
  .more li {
    grid-template-columns: 1fr;
    padding-bottom: 6px;
  }
  .tools {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
  .tool {
    padding: 8px 10px;
  }
  .tool:not(.drawn) {
    grid-column: span 2;
    min-height: 0;
  }
  .tool h3 {
    font-size: 1.0625rem;
  }
}
</style>

<script setup lang="ts">
import { computed } from 'vue'

import type { Problem } from '@/api/types'
import ChoiceField from '@/shared/ui/ChoiceField.vue'
import QuantityField from '@/shared/ui/QuantityField.vue'
import WordField from '@/shared/ui/WordField.vue'
import { faultAt } from '@/shared/format/faults'
import { keyWords, plainName } from '@/shared/format/words'
import { useChoices } from '@/shared/state/choices'
import { useSettings } from '@/shared/state/settings'

import { useSlices } from '@/shared/ui/slices'

import FoldedFields from './FoldedFields.vue'
import SchemaRows from './SchemaRows.vue'
import { helpBeside, type Field } from './schema'

const props = defineProps<{ fields: Field[]; problem: Problem | null }>()
const typed = defineModel<Record<string, string | boolean | undefined>>({ required: true })
const settings = useSettings()
// What may be left out as a whole stands last, folded to its title.
const folded = (f: Field) => !f.needed && (f.form === 'group' || f.form === 'rows')
const ordered = computed(() => [...props.fields.filter((f) => !folded(f)), ...props.fields.filter(folded)])
// A whole drive has sixty of them.
const standing = useSlices(() => ordered.value, 3)
const choices = useChoices()
const set = (path: string, v: string | boolean | undefined) => (typed.value = { ...typed.value, [path]: v })
const text = (path: string) => (typeof typed.value[path] === 'string' ? (typed.value[path] as string) : '')
</script>

<template>
  <div class="fields">
    <template v-for="f in standing" :key="f.path">
      <FoldedFields
        v-if="folded(f)"
        :title="f.title"
        :help="helpBeside(f)"
        :path="f.path"
        :typed="typed"
        :problem="problem"
      >
        <SchemaFields v-if="f.form === 'group'" v-model="typed" :fields="f.fields" :problem="problem" />
        <SchemaRows v-else-if="f.form === 'rows'" v-model="typed" :field="f" :problem="problem" untitled />
      </FoldedFields>
      <fieldset v-else-if="f.form === 'group'">
        <legend>
          {{ f.title }}<span v-if="helpBeside(f)" class="dim"> · {{ helpBeside(f) }}</span>
        </legend>
        <SchemaFields v-model="typed" :fields="f.fields" :problem="problem" />
      </fieldset>
      <SchemaRows v-else-if="f.form === 'rows'" v-model="typed" :field="f" :problem="problem" />
      <div v-else class="one" :class="{ needed: f.needed }">
        <QuantityField
          v-if="f.form === 'quantity' || f.form === 'number'"
          :model-value="text(f.path)"
          :label="f.title"
          :unit="f.form === 'quantity' ? (settings.units === 'us' ? f.us : f.si) : ''"
          :example="f.form === 'quantity' ? f.example : ''"
          :fractions="f.form === 'quantity' && f.kind === 'length'"
          :fault="faultAt(problem, 'input.' + f.path)"
          @update:model-value="set(f.path, $event)"
        />
        <ChoiceField
          v-else-if="f.form === 'choice'"
          :model-value="text(f.path) || undefined"
          :label="f.title"
          :choices="f.options.map((key) => ({ key, name: keyWords(key), group: '' }))"
          clearable
          :fault="faultAt(problem, 'input.' + f.path)"
          @update:model-value="set(f.path, $event)"
        />
        <ChoiceField
          v-else-if="f.form === 'keyed'"
          :model-value="text(f.path) || undefined"
          :label="f.title"
          :choices="
            f.table === 'drivers' ? choices.drivers.value.map((d) => ({ ...d, group: '' })) : choices.machines.value
          "
          clearable
          :fault="faultAt(problem, 'input.' + f.path)"
          @update:model-value="set(f.path, $event)"
        />
        <fieldset v-else-if="f.form === 'many'">
          <legend>{{ f.title }}</legend>
          <el-checkbox
            v-for="o in f.options"
            :key="o"
            :model-value="typed[`${f.path}.${o}`] === true"
            :label="plainName(o)"
            @change="set(`${f.path}.${o}`, $event === true)"
          />
        </fieldset>
        <el-checkbox
          v-else-if="f.form === 'flag'"
          :model-value="typed[f.path] === undefined ? f.on : typed[f.path] === true"
          :label="f.title"
          @change="set(f.path, $event === true)"
        />
        <WordField
          v-else
          :model-value="text(f.path)"
          :label="f.title"
          :fault="faultAt(problem, 'input.' + f.path)"
          @update:model-value="set(f.path, $event)"
        />
        <p v-if="helpBeside(f)" class="help">{{ helpBeside(f) }}</p>
      </div>
    </template>
  </div>
</template>

<style scoped>
fieldset {
  grid-column: 1 / -1;
  border: 0;
  border-top: 1px solid var(--line);
  margin: 0;
  padding: 8px 0 0;
  min-width: 0;
}
legend {
  font: 600 1.0625rem var(--face-label);
  padding: 0 8px 0 0;
}
legend .dim {
  font: 400 0.9375rem var(--face-text);
}
/* A mark, not a word: the name of the field stays what it is. */
.needed :deep(.label)::after {
  content: ' ●' / '';
}
.help {
  color: var(--dim);
  font-size: 0.875rem;
  margin-top: 3px;
}
</style>

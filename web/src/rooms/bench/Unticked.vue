<script setup lang="ts">
import { ref } from 'vue'
import TimeField from '../../parts/TimeField.vue'
import { count } from '../../words'

/** Models are left unticked: were they done, and when? Also asked after a forgotten evening. */
const props = defineProps<{ left: number; proposed: string; forgotten: boolean }>()
const emit = defineEmits<{ done: [clock: string]; open: []; goOn: [] }>()

const at = ref(props.proposed)
</script>

<template>
  <div role="alertdialog" aria-label="Models are not ticked" class="my-3 border-y border-rule py-3">
    <p class="text-22">
      <template v-if="forgotten">This call was left running. </template>Not ticked:
      {{ count(left, 'model') }}. Done?
    </p>
    <div class="mt-2 flex flex-wrap items-center gap-3">
      <span class="flex items-center gap-3 text-20"
        >I finished about <TimeField v-model="at" label="I finished about" class="tall-field"
      /></span>
      <button class="btn big btn-main flex-1" @click="emit('done', at)">All done then</button>
      <button class="btn big flex-1" @click="emit('open')">Leave them open</button>
      <button v-if="!forgotten" class="btn big" @click="emit('goOn')">Go on</button>
    </div>
  </div>
</template>

<style scoped>
.big {
  min-height: 72px;
  font-size: 22px;
}
.tall-field :deep(input) {
  min-height: 72px;
  font-size: 22px;
}
</style>

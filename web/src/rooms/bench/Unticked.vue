<script setup lang="ts">
import { computed, ref } from 'vue'
import { count } from '../../words'

/** Models are left unticked: were they done, and when? Also asked after a forgotten evening. */
const props = defineProps<{ left: number; proposed: string; latest: string; forgotten: boolean }>()
const emit = defineEmits<{ done: [clock: string]; open: []; goOn: [] }>()

const at = ref(props.proposed)
const bad = computed(() => !/^\d\d:\d\d$/.test(at.value))
</script>

<template>
  <div role="alertdialog" aria-label="Models are not ticked" class="my-3 border-y border-rule py-3">
    <p class="text-22">
      <template v-if="forgotten">This call was left running. </template>Not ticked:
      {{ count(left, 'model') }}. Done?
    </p>
    <div class="mt-2 flex flex-wrap items-center gap-3">
      <label class="flex items-center gap-3 text-20"
        >I finished about
        <input v-model="at" type="time" class="field min-h-[72px]! text-22!" :max="latest"
      /></label>
      <button
        class="btn big btn-main flex-1"
        :disabled="bad"
        :title="bad ? 'Type a time such as 22:10' : undefined"
        @click="emit('done', at)"
      >
        All done then
      </button>
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
</style>

<script setup lang="ts">
import { onMounted, ref, useTemplateRef, watch } from 'vue'
import { readNumber, stepped, type Field } from './words'

/** A number turned by arrows or typed; where nothing need be said, it can be left unsaid. */
const props = defineProps<{ field: Field; value: number | null; usual: number }>()
const emit = defineEmits<{ set: [value: number | null]; done: [] }>()
const told = (value: number | null) =>
  value === null ? '' : String(Math.round(value * (props.field.share ? 100 : 1) * 100) / 100)
const text = ref(told(props.value))
const box = useTemplateRef('box')
const wrong = ref(false)

watch(
  () => props.value,
  (now) => (text.value = told(now)),
)
onMounted(() => box.value?.select())

function turn(by: number) {
  wrong.value = false
  emit('set', stepped(props.value ?? props.usual, by, props.field))
}

function read(): boolean {
  if (text.value.trim() === '' && props.field.unsaid) {
    emit('set', null)
    return true
  }
  const found = readNumber(text.value, props.field)
  wrong.value = found === null
  if (found !== null) emit('set', found)
  return found !== null
}
</script>

<template>
  <div class="flex flex-wrap items-center gap-3">
    <button class="btn px-4" type="button" :aria-label="`Less: ${field.label}`" @click="turn(-1)">
      &minus;
    </button>
    <input
      ref="box"
      v-model="text"
      class="field fig w-24 text-center"
      inputmode="decimal"
      :aria-label="field.label"
      :aria-invalid="wrong"
      @keydown.up.prevent="turn(1)"
      @keydown.down.prevent="turn(-1)"
      @keydown.enter.prevent="read() && emit('done')"
      @change="read"
    />
    <button class="btn px-4" type="button" :aria-label="`More: ${field.label}`" @click="turn(1)">
      +
    </button>
    <span class="fig text-14 text-soft">{{ field.share ? '%' : field.unit }}</span>
    <button
      v-if="field.unsaid"
      class="link"
      type="button"
      :aria-pressed="value === null"
      @click="(emit('set', null), emit('done'))"
    >
      {{ field.unsaid }}
    </button>
    <span v-if="wrong" class="warn text-14" role="alert">
      Type {{ field.share ? field.least * 100 : field.least }} to
      {{ field.share ? field.most * 100 : field.most }}.
    </span>
  </div>
</template>

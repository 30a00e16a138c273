<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useHouse } from '../../house'
import { useShelf } from '../../shelf'
import { useMixing } from './mixing'
import MixBench from './MixBench.vue'
import MoreColour from './MoreColour.vue'
import PaintCard from './PaintCard.vue'
import Photograph from './Photograph.vue'
import Pots from './Pots.vue'
import ScreenCheck from './ScreenCheck.vue'
import ShelfList from './ShelfList.vue'

const shelf = useShelf()
const house = useHouse()
const mixing = useMixing()
const chosen = ref<number | null>(null)
const one = computed(() => shelf.paints?.find((paint) => paint.id === chosen.value))

onMounted(async () => {
  await Promise.all([shelf.load(), house.load()])
})

function aim(colour: string) {
  mixing.target.value = colour
  void mixing.match()
}
</script>

<template>
  <div class="flex min-h-14 items-center justify-between gap-3">
    <h1>Colour</h1>
    <p class="text-soft">Judge a mix dry, by daylight.</p>
  </div>
  <div class="grid grid-cols-[250px_1fr] gap-8 max-md:grid-cols-1">
    <ShelfList v-model="chosen" @put="mixing.put" />
    <div class="min-w-0">
      <PaintCard v-if="one" :key="one.id" :one="one" @target="aim" />
      <MixBench :mixing="mixing" />
      <Pots @take="mixing.take" @target="mixing.target.value = $event" />
      <Photograph @choose="aim" />
      <MoreColour :mixing="mixing" />
      <ScreenCheck />
    </div>
  </div>
</template>

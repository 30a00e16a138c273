<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useHouse } from '../../house'
import { useShelf } from '../../shelf'
import Answers from './Answers.vue'
import { useMixing } from './mixing'
import MixBench from './MixBench.vue'
import MoreColour from './MoreColour.vue'
import PaintCard from './PaintCard.vue'
import Photograph from './Photograph.vue'
import Pots from './Pots.vue'
import Reach from './Reach.vue'
import SavePot from './SavePot.vue'
import ScreenCheck from './ScreenCheck.vue'
import ShelfList from './ShelfList.vue'

const shelf = useShelf()
const house = useHouse()
const mixing = useMixing()
const { drops, predicted } = mixing
const route = useRoute()
const chosen = ref<number | null>(null)
/** The paint that an address asks for. */
watch(
  () => route.query.paint,
  (paint) => paint && (chosen.value = Number(paint)),
  { immediate: true },
)
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
    <p class="text-soft">Judge it dry, by daylight.</p>
  </div>
  <div class="bench grid gap-x-8 max-[1099px]:gap-y-4">
    <ShelfList v-model="chosen" class="shelf" @put="mixing.put" />
    <PaintCard v-if="one" :key="one.id" class="card" :one="one" @target="aim" />
    <MixBench class="mix min-w-0" :mixing="mixing" />
    <div class="reach min-w-0">
      <Reach :mixing="mixing" />
      <p v-if="predicted?.difference != null" class="fig mt-2" role="status">
        <b class="text-22">{{ predicted.difference.toFixed(1) }}</b>
        <span> apart (CIEDE2000): {{ predicted.apart }}</span>
      </p>
      <Answers :mixing="mixing" />
      <SavePot v-if="drops.length" :mixing="mixing" />
    </div>
    <div class="more min-w-0">
      <Pots @take="mixing.take" @target="mixing.target.value = $event" />
      <Photograph @choose="aim" />
      <MoreColour :mixing="mixing" />
      <ScreenCheck />
    </div>
  </div>
</template>

<style scoped>
.bench {
  grid-template:
    'shelf card card' auto
    'shelf mix reach' auto
    'shelf more more' 1fr / 240px minmax(0, 1fr) minmax(0, 392px);
}
.shelf {
  grid-area: shelf;
}
.card {
  grid-area: card;
}
.mix {
  grid-area: mix;
}
.reach {
  grid-area: reach;
}
.more {
  grid-area: more;
}
@media (max-width: 1099px) {
  .bench {
    grid-template: 'mix' auto 'reach' auto 'card' auto 'shelf' auto 'more' auto / minmax(0, 1fr);
  }
}
</style>

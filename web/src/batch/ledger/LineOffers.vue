<script setup lang="ts">
/** What can be done otherwise with a line, one tap each; what this kitchen's standard asks for says so. */
import type { Offer } from '@hand-ladle/core';
import { useBench } from '../../state/bench';

defineProps<{ offers: readonly Offer[] }>();
const bench = useBench();
</script>

<template>
  <div class="offers">
    <button
      v-for="offer in offers"
      :key="offer.id"
      class="offer"
      :class="{ asked: offer.isAsked }"
      type="button"
      :title="offer.why"
      @click="bench.takeOffer(offer.id)"
    >
      <b v-if="offer.isAsked">Asked here: </b>{{ offer.words }}
    </button>
  </div>
</template>

<style scoped>
.offers {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 6px;
}

.offer {
  min-height: 30px;
  margin-right: 6px;
  padding: 2px 10px;
  border: 1px solid var(--hairline);
  border-radius: var(--radius-s);
  background: none;
  color: var(--rim);
  font-size: var(--text-s);
  font-weight: 560;
  text-align: left;
}

.offer:hover {
  border-color: var(--rim);
  background: var(--rim-wash);
}

.offer.asked {
  border: 1.5px solid var(--rim);
}

@media (pointer: coarse) {
  .offer {
    min-height: var(--touch);
  }
}
</style>

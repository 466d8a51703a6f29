<script setup lang="ts">
/** The bench proper: the ledger, and beside it who must not eat it, how the mix stands and what a portion holds. */
import CautionPlate from './CautionPlate.vue';
import HazardPlate from './HazardPlate.vue';
import BatchLedger from './ledger/BatchLedger.vue';
import MethodPlate from './MethodPlate.vue';
import PortionPlate from './PortionPlate.vue';
import RatioPlate from './RatioPlate.vue';
</script>

<template>
  <div class="bench">
    <div class="work">
      <BatchLedger />
      <MethodPlate />
    </div>
    <aside>
      <HazardPlate />
      <RatioPlate />
      <PortionPlate />
      <CautionPlate />
    </aside>
  </div>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: var(--space-4);
}

aside {
  display: grid;
  gap: var(--space-3);
  align-content: start;
}

@media (max-width: 1100px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
  }

  aside {
    grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  }
}
</style>

<script setup lang="ts">
import BatchLedger from '../components/BatchLedger.vue';
import CautionPlate from '../components/CautionPlate.vue';
import HazardPlate from '../components/HazardPlate.vue';
import MethodPlate from '../components/MethodPlate.vue';
import PortionPlate from '../components/PortionPlate.vue';
import TargetStrip from '../components/TargetStrip.vue';
</script>

<template>
  <div class="bench">
    <div class="work">
      <TargetStrip />
      <BatchLedger />
      <MethodPlate />
    </div>
    <aside>
      <HazardPlate />
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
  padding: 14px 20px var(--space-6);
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

@media (max-width: 760px) {
  .bench {
    padding: var(--space-3);
  }
}
</style>

<script setup lang="ts">
/** Panels that any view may ask for: a pack, a new food. */
import NewFoodDialog from '../larder/NewFoodDialog.vue';
import PackDialog from '../packs/PackDialog.vue';
</script>

<template>
  <PackDialog />
  <NewFoodDialog />
</template>

<script setup lang="ts">
/** Panels that any view may ask for: a pack, a new food. */
import NewFoodDialog from './NewFoodDialog.vue';
import PackDialog from './PackDialog.vue';
</script>

<template>
  <PackDialog />
  <NewFoodDialog />
</template>

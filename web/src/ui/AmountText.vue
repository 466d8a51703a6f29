<script setup lang="ts">
/** A figure with its unit, smaller and never apart from it. */
defineProps<{ figure: string; unit: string }>();
</script>

<template>
  <span class="figure"
    >{{ figure }}<span class="unit">&nbsp;{{ unit }}</span></span
  >
</template>

<script setup lang="ts">
import { RouterLink } from 'vue-router';
</script>

<template>
  <section class="nowhere">
    <h1>There is no page at this address.</h1>
    <p><RouterLink to="/">Open the dishes</RouterLink></p>
  </section>
</template>

<style scoped>
.nowhere {
  padding: var(--space-6) 20px;
}
</style>

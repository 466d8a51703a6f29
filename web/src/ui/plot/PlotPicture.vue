<script setup lang="ts">
/** One picture: drawn when its figures come, drawn anew when they change. Its words stand beside it, not in it. */
import { onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { type Data, type Layout, loadPlotly, plotConfig, plotLayout } from './plot';

const props = defineProps<{ data: Data[]; layout: Partial<Layout>; label: string; height: number }>();
const place = ref<HTMLDivElement | null>(null);
const isDrawn = ref(false);
const problem = ref('');

async function draw(): Promise<void> {
  try {
    const plotly = await loadPlotly();
    if (!place.value) return;
    await plotly.react(
      place.value,
      props.data,
      plotLayout({ ...props.layout, height: props.height }),
      plotConfig,
    );
    isDrawn.value = true;
  } catch {
    problem.value = 'The picture could not be drawn; its figures stand in the table.';
  }
}

onMounted(draw);
watch(() => [props.data, props.layout], draw);
onBeforeUnmount(async () => {
  const at = place.value;
  if (at && isDrawn.value) (await loadPlotly()).purge(at);
});
</script>

<template>
  <p v-if="problem" class="soft">{{ problem }}</p>
  <div
    v-else
    ref="place"
    role="img"
    :aria-label="label"
    :data-drawn="isDrawn"
    :style="{ minHeight: `${height}px` }"
  />
</template>

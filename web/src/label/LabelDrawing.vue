<script setup lang="ts">
/** A set label at its true size: the same drawing the PDF prints. What goes over the paper is shown, not cut. */
import { computed } from 'vue';
import { type LabelContent, labelText, pointsToMm, type SetLabel } from '@hand-ladle/core';

const props = defineProps<{ content: LabelContent; drawing: SetLabel }>();
const WEIGHTS = { regular: 400, bold: 700, black: 900 } as const;
const height = computed(() => Math.max(props.drawing.height, props.drawing.usedHeight));
const isOver = computed(() => props.drawing.usedHeight > props.drawing.height + 0.01);
/** Every rule and module of the page as one path. */
const rects = computed(() =>
  props.drawing.ops
    .flatMap((op) => (op.kind === 'rect' ? `M${op.x} ${op.y}h${op.width}v${op.height}h${-op.width}z` : []))
    .join(''),
);
const words = computed(() => labelText(props.content));
</script>

<template>
  <article class="label" aria-label="Label preview">
    <svg
      :width="`${pointsToMm(drawing.width)}mm`"
      :height="`${pointsToMm(height)}mm`"
      :viewBox="`0 0 ${drawing.width} ${height}`"
      aria-hidden="true"
    >
      <rect width="100%" height="100%" fill="#ffffff" />
      <rect v-if="isOver" :y="drawing.height" width="100%" :height="height - drawing.height" class="over" />
      <path :d="rects" />
      <template v-for="(op, index) in drawing.ops" :key="index">
        <text
          v-if="op.kind === 'text'"
          :x="op.x"
          :y="op.y"
          :font-size="op.size"
          :font-weight="WEIGHTS[op.weight]"
          :textLength="op.width > 0 ? op.width : undefined"
          v-text="op.text"
        />
        <text
          v-else-if="op.kind === 'turned'"
          :transform="`translate(${op.x} ${op.y}) rotate(${op.degrees})`"
          :font-size="op.size"
          :font-weight="WEIGHTS[op.weight]"
          text-anchor="middle"
          opacity="0.13"
          v-text="op.text"
        />
      </template>
    </svg>
    <pre class="unseen">{{ words }}</pre>
  </article>
</template>

<style scoped>
.label {
  position: relative;
  width: max-content;
  box-shadow: var(--shadow);
}

svg {
  display: block;
  font-family: var(--font);
  font-kerning: none;
  font-variant-ligatures: none;
  font-variant-numeric: normal;
}

/* Chromium lets text in a drawing wrap its own way unless it is said on the text itself. */
svg text {
  white-space: pre;
}

.over {
  fill: var(--brick-wash);
}
</style>

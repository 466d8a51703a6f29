/** How this screen's labels are set: kind, paper, pack, code. Kept on the screen, by kitchen. */
import { defineStore } from 'pinia';
import { computed, ref, watch } from 'vue';
import {
  DRAFT_ON_ROLL,
  type LabelOptions,
  type SheetStock,
  type StatementStyle,
  type Stock,
  STOCKS,
} from '@hand-ladle/core';

const KEY = 'hand-ladle.label';

/** A sheet of one's own to start from. */
const OWN_SHEET: SheetStock = {
  kind: 'sheet',
  id: 'own',
  name: 'A sheet of its own',
  paper: 'a4',
  columns: 2,
  rows: 3,
  leftMm: 5,
  topMm: 8,
  gapXMm: 0,
  gapYMm: 0,
  widthMm: 100,
  heightMm: 93,
};

interface Kept {
  options: LabelOptions;
  ownSheet: SheetStock;
  style: StatementStyle;
}

function kept(): Kept {
  const start: Kept = {
    options: DRAFT_ON_ROLL,
    ownSheet: OWN_SHEET,
    style: { language: 'en', hasTail: false },
  };
  try {
    const text = localStorage.getItem(KEY);
    if (text === null) return start;
    const found = { ...start, ...(JSON.parse(text) as Partial<Kept>) };
    // Only what options know: what an older version kept is left out.
    const known = Object.entries({ ...start.options, ...found.options }).filter(
      ([key]) => key in start.options,
    );
    return { ...found, options: Object.fromEntries(known) as unknown as LabelOptions };
  } catch {
    return start;
  }
}

export const useLabel = defineStore('label', () => {
  const from = kept();
  const options = ref<LabelOptions>({ ...from.options, start: 1, quantity: 1, madeOn: null, grams: null });
  const ownSheet = ref<SheetStock>(from.ownSheet);
  const style = ref<StatementStyle>(from.style);
  /** A slip for each tray; empty for one slip for all. */
  const slips = ref<{ group: string; texture: string; quantity: number }[]>([]);
  /** A batch that was made before, whose labels are printed again. */
  const batchCode = ref('');
  const stocks = computed<Stock[]>(() => [...STOCKS, ownSheet.value]);

  watch(
    [options, ownSheet, style],
    () => {
      localStorage.setItem(
        KEY,
        JSON.stringify({ options: options.value, ownSheet: ownSheet.value, style: style.value }),
      );
    },
    { deep: true },
  );

  const set = (fields: Partial<LabelOptions>): void => {
    options.value = { ...options.value, ...fields };
  };
  function chooseStock(id: string): void {
    const stock = stocks.value.find((each) => each.id === id);
    if (stock) set({ stock });
  }
  function changeSheet(fields: Partial<SheetStock>): void {
    ownSheet.value = { ...ownSheet.value, ...fields };
    set({ stock: ownSheet.value });
  }

  return { options, slips, batchCode, ownSheet, style, stocks, set, chooseStock, changeSheet };
});

/** Pictures by Plotly, fetched with the first one shown and dressed in the tokens. */
import type { Config, Data, Layout } from 'plotly.js-dist-min';

export const loadPlotly = async () => (await import('plotly.js-dist-min')).default;

/** A design token as its value, for what is drawn outside CSS. */
export const token = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim();

export const plotConfig: Partial<Config> = { displayModeBar: false, responsive: true };

/** What every picture has in common. */
export const plotLayout = (layout: Partial<Layout>): Partial<Layout> => ({
  font: { family: token('font'), size: 14, color: token('ink') },
  paper_bgcolor: 'rgba(0,0,0,0)',
  plot_bgcolor: 'rgba(0,0,0,0)',
  showlegend: false,
  ...layout,
});

export type { Data, Layout };

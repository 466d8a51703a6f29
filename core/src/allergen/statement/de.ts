/** German statements. Names of Regulation (EU) 1169/2011 Annex II in its German text, and what packs derive from them. */
import type { StatementLanguage } from './language';

export const GERMAN: StatementLanguage = {
  id: 'de',
  name: 'German',
  isCompounding: true,
  tellTale: ['kann', 'enthalt', 'enthalten', 'zutaten', 'spuren', 'und', 'oder', 'ohne', 'nicht', 'vegan geeignet', 'werden', 'verarbeitet', 'hergestellt', 'zucker', 'salz', 'wasser', 'mehl', 'gewurze', 'pflanzenol', 'weizen*', 'hafer*', 'haselnuss*', 'erdnuss*', 'mandel*', 'milch*', 'sellerie*', 'senf*', 'roggen*', 'gerste*', 'dinkel*', 'sahne*', 'molke*', 'huhner*', 'sojabohne*', 'nusse*', 'pistazien*', 'lupinen*'],
  may: /\bkann\b.*\b(?:enthalten|vorkommen)\b|\bspuren\b|\bkann spuren\b|\bnicht ausgeschlossen\b|\bnicht auszuschliessen\b|\b(?:verarbeitet|verwendet|hergestellt|produziert|abgefullt)\b.*\b(?:auch|werden|wird)\b|\bbetrieb\b.*\b(?:verarbeitet|verwendet|verarbeiten)\b|\bnicht geeignet fur .*allergiker/,
  mayStart: /(?=\bkann\b)|(?=\bspuren\b)/,
  free: [/\b(?:frei von|ohne(?: zusatz von)?|enthalt kein(?:e|en|er)?|nicht enthalten:?)\s+([^.;()]{2,60})/g, /\b([a-z]+)-?frei(?:e|er|es|en)?\b/g],
  denied: /\bnicht (?:\w+ )?(?:[a-z]+frei|frei)\b|\bnicht ohne\b/,
  notVegan: /\bnicht (?:fur veganer|vegan)|\bnicht fur .{0,20}vegan/,
}; // prettier-ignore

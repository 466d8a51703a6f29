/**
 * Additives that are named by their class and E-number in the EU (Regulation (EU) 1169/2011 Annex VII part C); the US names
 * them by their common name.
 */
import type { Language } from './language';

interface Additive {
  eNumber: string;
  kind: Readonly<Record<Language, string>>;
}

const RAISING = { en: 'raising agent', es: 'gasificante', fr: 'poudre à lever', de: 'Backtriebmittel' };
const THICKENER = { en: 'thickener', es: 'espesante', fr: 'épaississant', de: 'Verdickungsmittel' };
const GELLING = { en: 'gelling agent', es: 'gelificante', fr: 'gélifiant', de: 'Geliermittel' };

/** By food id. */
export const ADDITIVES: Readonly<Record<string, Additive>> = {
  bicarbonate: { eNumber: 'E 500', kind: RAISING },
  'cream-of-tartar': { eNumber: 'E 336', kind: RAISING },
  'xanthan-gum': { eNumber: 'E 415', kind: THICKENER },
  'agar-powder': { eNumber: 'E 406', kind: GELLING },
};

/** "raising agent (E 500)"; null for what is no additive. */
export function additiveName(foodId: string, language: Language): string | null {
  const additive = ADDITIVES[foodId];
  return additive ? `${additive.kind[language]} (${additive.eNumber})` : null;
}

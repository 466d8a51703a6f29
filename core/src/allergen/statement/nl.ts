/** Dutch statements: the grammar of Regulation (EU) 1169/2011 and its voluntary warnings in Dutch. */
import type { StatementLanguage } from './language';

export const DUTCH: StatementLanguage = {
  id: 'nl',
  name: 'Dutch',
  isCompounding: true,
  tellTale: ['bevat', 'kan sporen', 'sporen van', 'ingredienten', 'zonder', 'suiker', 'zout', 'tarwe*', 'melk*', 'roomboter', 'pinda*', 'selderij*', 'knolselderij', 'mosterd*', 'gerst', 'rogge*', 'haver*', 'geproduceerd', 'geschikt', 'toegevoegd*', 'glutenvrij', 'lactosevrij', 'noten', 'hazelnoten', 'amandelen', 'eieren', 'verwerkt'],
  may: /\bkan\b.*\b(?:bevatten|sporen)\b|\bsporen\b|\b(?:geproduceerd|gemaakt|verpakt|verwerkt) (?:in|op)\b|\b(?:fabriek|bedrijf|ruimte|lijn)\b.*\b(?:verwerk|gebruik)|\b(?:niet|kunnen niet|kan niet)\b.*\b(?:garanderen|gegarandeerd|uitgesloten|uit te sluiten)|\b(?:niet geschikt|ongeschikt) voor\b/,
  mayStart: /(?=\bkan\b)|(?=\bsporen\b)/,
  free: [/\b(?:zonder(?: toegevoegde?)?|vrij van|bevat geen)\s+([^.;()]{2,60})/g, /\b([a-z]+)-?vrije?\b/g],
  denied: /\bniet (?:\w+ )?[a-z]+-?vrij\b|\bniet vrij\b/,
  notVegan: /\b(?:niet geschikt|ongeschikt) voor .{0,20}veganist|\bniet vegan/,
}; // prettier-ignore

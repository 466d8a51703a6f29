/** Spanish statements. Names of Regulation (EU) 1169/2011 Annex II in its Spanish text, and what packs derive from them. */
import type { StatementLanguage } from './language';

export const SPANISH: StatementLanguage = {
  id: 'es',
  name: 'Spanish',
  isCompounding: false,
  tellTale: ['puede', 'pueden', 'contener', 'contiene', 'ingredientes', 'trazas', 'agua', 'azucar', 'harina', 'aceite', 'fabricado', 'elaborado', 'leche', 'huevo', 'trigo', 'cacahuete', 'cacahuetes', 'frutos de cascara', 'apto', 'apio', 'mostaza', 'semillas', 'avellana*', 'almendra*', 'cebada*', 'centeno*', 'altramuz*', 'mantequilla*', 'queso*', 'pistachos', 'anacardo*', 'nueces'],
  may: /\bpueden? (?:tambien )?contener\b|\btrazas?\b|\bposible(?:s)? (?:presencia|trazas)\b|\b(?:fabricado|elaborado|envasado|producido|procesado) en\b|\b(?:instalacion|instalaciones|fabrica|linea|lineas|planta|equipo|equipos)\b.*\b(?:utiliz|manipul|proces|maneja|elabor)|\bno se puede (?:garantizar|excluir)|\bno apto para .*alergi|\bno podemos garantizar/,
  mayStart: /(?=\bpueden? (?:tambien )?contener\b)|(?=\btrazas?\b)|(?=\bposibles? (?:presencia|trazas))/,
  free: [/\b(?:sin|libre de|exento de|no contiene)\s+([^.;()]{2,60})/g],
  denied: /\bno (?:esta |es )?(?:libre|exento|garantiza\w*)\b|\bno sin\b/,
  notVegan: /\bno (?:es )?apto para vegan|\bno vegano/,
}; // prettier-ignore

/** Portuguese statements: the grammar of Regulation (EU) 1169/2011 and its voluntary warnings in Portuguese. */
import type { StatementLanguage } from './language';

export const PORTUGUESE: StatementLanguage = {
  id: 'pt',
  name: 'Portuguese',
  isCompounding: false,
  tellTale: ['contem', 'pode conter', 'podem conter', 'vestigios', 'acucar', 'acucares', 'farinha', 'agua e', 'sem', 'nao', 'leite', 'ovo', 'ovos', 'frutos de casca rija', 'amendoim', 'tremoco*', 'camara*', 'amendoa*', 'avela*', 'centeio*', 'cevada', 'aveia', 'mostarda', 'aipo', 'gergelim', 'bacalhau', 'ameijoa*', 'pao', 'queijo*', 'manteiga', 'oleo de'],
  may: /\bpodem? (?:tambem )?conter\b|\bvestigios\b|\bpossivel presenca\b|\b(?:produzido|fabricado|embalado|processado)s? (?:em|numa?|na)\b|\b(?:fabrica|instalac\w+|linha|unidade)\b.*\b(?:utiliz|manus|process|trabalh)|\bnao (?:se |podemos |e possivel )?(?:pode )?garanti|\bnao (?:e )?(?:adequad|recomendad|apropriad|indicad|apt)\w* (?:a|para|ao?s)\b/,
  mayStart: /(?=\bpodem? (?:tambem )?conter\b)|(?=\bpossivel presenca\b)/,
  free: [/\b(?:sem(?: adicao de)?|isento de|livre de|nao contem)\s+([^.;()]{2,60})/g],
  denied: /\bnao (?:e |esta )?(?:isent|livre|sem)\b/,
  notVegan: /\bnao (?:e )?(?:adequado|apto|recomendado)s? (?:a|para|ao?s) vegan|\bnao vegan/,
}; // prettier-ignore

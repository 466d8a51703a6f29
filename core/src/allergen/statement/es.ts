/** Spanish statements. Names of Regulation (EU) 1169/2011 Annex II in its Spanish text, and what packs derive from them. */
import { GLUTEN, says, type StatementLanguage, TREE_NUTS } from './language';

export const SPANISH: StatementLanguage = {
  id: 'es',
  name: 'Spanish',
  isCompounding: false,
  tellTale: ['puede', 'pueden', 'contener', 'contiene', 'ingredientes', 'trazas', 'agua', 'azucar', 'harina', 'aceite', 'fabricado', 'elaborado', 'leche', 'huevo', 'trigo', 'cacahuete', 'cacahuetes', 'frutos de cascara', 'apto', 'apio', 'mostaza', 'semillas', 'avellana*', 'almendra*', 'cebada*', 'centeno*', 'altramuz*', 'mantequilla*', 'queso*', 'pistachos', 'anacardo*', 'nueces'],
  may: /\bpueden? (?:tambien )?contener\b|\btrazas?\b|\bposible(?:s)? (?:presencia|trazas)\b|\b(?:fabricado|elaborado|envasado|producido|procesado) en\b|\b(?:instalacion|instalaciones|fabrica|linea|lineas|planta|equipo|equipos)\b.*\b(?:utiliz|manipul|proces|maneja|elabor)|\bno se puede (?:garantizar|excluir)|\bno apto para .*alergi|\bno podemos garantizar/,
  mayStart: /(?=\bpueden? (?:tambien )?contener\b)|(?=\btrazas?\b)|(?=\bposibles? (?:presencia|trazas))/,
  free: [/\b(?:sin|libre de|exento de|no contiene)\s+([^.;()]{2,60})/g],
  harmless: [
    ['leche de coco', ['coconut']], ['crema de coco', ['coconut']], ['coco', ['coconut']], ['leche de almendra', ['almond']], ['bebida de almendra', ['almond']], ['leche de avena', ['oats']], ['bebida de avena', ['oats']], ['leche de soja', ['soy']], ['bebida de soja', ['soy']], ['leche de arroz', []],
    ['manteca de cacao', []], ['manteca de cacahuete', ['peanut']], ['mantequilla de cacahuete', ['peanut']], ['mantequilla de almendra', ['almond']], ['manteca de karite', []],
    ['trigo sarraceno', []], ['harina de arroz', []], ['harina de maiz', []], ['harina de garbanzo', []], ['harina de algarroba', []], ['almidon de maiz', []], ['fecula de patata', []], ['almidon de patata', []], ['almidon de tapioca', []], ['nuez moscada', []], ['acido lactico', []], ['cremor tartaro', []], ['lecitina de girasol', []], ['lecitina de colza', []],
    ['nueces de brasil', ['brazil-nut']], ['nuez de brasil', ['brazil-nut']], ['nueces pecanas', ['pecan']], ['nueces de macadamia', ['macadamia']], ['salvado', []], ['salsa', []],
  ],
  terms: [
    says('wheat', 'trigo|espelta|semola|cuscus|bulgur|seitan|kamut|pan rallado|pan|escanda'), says('wheat', 'gluten'), says(GLUTEN, 'cereales que contienen gluten|cereales con gluten'), says('wheat', 'harina|almidon|fecula|pasta|salvado de', 'check'),
    says('rye', 'centeno'), says('barley', 'cebada|malta|cerveza'), says('oats', 'avena'),
    says('soy', 'soja|soya|tofu|tempeh|miso|tamari|shoyu'), says('soy', 'lecitina|aceite vegetal|grasa vegetal', 'check'),
    says('almond', 'almendra|mazapan|turron'), says('hazelnut', 'avellana'), says('walnut', 'nuez|nueces'), says('cashew', 'anacardo|maranon|caju'), says('pecan', 'pacana|pecana'), says('pistachio', 'pistacho'), says('macadamia', 'macadamia'), says('pine-nut', 'pinon'),
    says(TREE_NUTS, 'frutos de cascara|fruto de cascara|frutos secos'), says('peanut', 'cacahuete|cacahuate|mani'),
    says('milk', 'leche|lactosa|suero lacteo|suero de leche|lacte|mantequilla|nata|queso|yogur|caseina|caseinato|crema de leche'),
    says('egg', 'huevo|albumina|clara de huevo|yema|mayonesa|ovoproducto'), says('fish', 'pescado|anchoa|boqueron|atun|salmon|sardina|bacalao'), says('crustacean', 'crustaceo|gamba|camaron|cangrejo|langosta|langostino'), says('mollusc', 'molusco|mejillon|calamar|ostra|sepia|pulpo|almeja|caracol'),
    says('celery', 'apio|apionabo'), says('celery mustard', 'especias|especia|caldo', 'check'), says('mustard', 'mostaza'), says('sesame', 'sesamo|ajonjoli|tahini|tahin|halva'), says('sulphites', 'sulfito|dioxido de azufre|anhidrido sulfuroso|bisulfito|metabisulfito|so2'), says('lupin', 'altramuz|altramuces|lupino'),
  ],
  animal: ['miel', 'gelatina', 'manteca de cerdo', 'carne', 'pollo', 'ternera', 'cerdo', 'jamon', 'tocino', 'cera de abeja', 'carmin', 'cochinilla', 'sebo'],
  animalCheck: ['vitamina d3', 'mono y digliceridos', 'aroma natural'],
  notVegan: /\bno (?:es )?apto para vegan|\bno vegano/,
}; // prettier-ignore

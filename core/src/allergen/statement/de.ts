/** German statements. Names of Regulation (EU) 1169/2011 Annex II in its German text, and what packs derive from them. */
import { US_TREE_NUTS } from '../../food';
import { GLUTEN, says, type StatementLanguage, TREE_NUTS } from './language';

export const GERMAN: StatementLanguage = {
  id: 'de',
  name: 'German',
  isCompounding: true,
  tellTale: ['kann', 'enthalt', 'enthalten', 'zutaten', 'spuren', 'und', 'oder', 'ohne', 'nicht', 'vegan geeignet', 'werden', 'verarbeitet', 'hergestellt', 'zucker', 'salz', 'wasser', 'mehl', 'gewurze', 'pflanzenol', 'weizen*', 'hafer*', 'haselnuss*', 'erdnuss*', 'mandel*', 'milch*', 'sellerie*', 'senf*', 'roggen*', 'gerste*', 'dinkel*', 'sahne*', 'molke*', 'huhner*', 'sojabohne*', 'nusse*', 'pistazien*', 'lupinen*'],
  may: /\bkann\b.*\b(?:enthalten|vorkommen)\b|\bspuren\b|\bkann spuren\b|\bnicht ausgeschlossen\b|\bnicht auszuschliessen\b|\b(?:verarbeitet|verwendet|hergestellt|produziert|abgefullt)\b.*\b(?:auch|werden|wird)\b|\bbetrieb\b.*\b(?:verarbeitet|verwendet|verarbeiten)\b|\bnicht geeignet fur .*allergiker/,
  mayStart: /(?=\bkann\b)|(?=\bspuren\b)/,
  free: [/\b(?:frei von|ohne(?: zusatz von)?|enthalt kein(?:e|en|er)?|nicht enthalten:?)\s+([^.;()]{2,60})/g, /\b([a-z]+)-?frei(?:e|er|es|en)?\b/g],
  harmless: [
    ['kokosmilch', ['coconut']], ['kokoscreme', ['coconut']], ['kokosnuss', ['coconut']], ['kokos', ['coconut']],
    ['mandelmilch', ['almond']], ['mandeldrink', ['almond']], ['hafermilch', ['oats']], ['haferdrink', ['oats']], ['sojamilch', ['soy']], ['sojadrink', ['soy']], ['sojasahne', ['soy']], ['sojajoghurt', ['soy']], ['reismilch', []], ['reisdrink', []],
    ['erdnussbutter', ['peanut']], ['mandelbutter', ['almond']], ['cashewbutter', ['cashew']], ['nussbutter', US_TREE_NUTS], ['kakaobutter', []], ['sheabutter', []],
    ['buchweizen', []], ['weizengras', []], ['milchsaure', []], ['muskatnuss', []], ['muskat', []], ['erdmandel', []], ['wassernuss', []], ['kastanie', []],
    ['maismehl', []], ['reismehl', []], ['kichererbsenmehl', []], ['kartoffelmehl', []], ['johannisbrotkernmehl', []], ['guarkernmehl', []], ['johannisbrot', []], ['maisstarke', []], ['kartoffelstarke', []], ['tapiokastarke', []], ['reisstarke', []], ['erbseneiweiss', []], ['pflanzeneiweiss', []], ['reiseiweiss', []], ['sonnenblumenlecithin', []], ['rapslecithin', []], ['sesambein', []], ['eisen', []], ['eisbergsalat', []], ['reis', []], ['mais', []], ['fleischtomate', []], ['weinblatter', []], ['branntweinessig', []],
  ],
  terms: [
    says('wheat', 'weizen|dinkel|grunkern|hartweizen|durum|kamut|emmer|einkorn|griess|bulgur|couscous|seitan|paniermehl|semmelbrosel|weissbrot'),
    says('rye', 'roggen'), says('barley', 'gerste|malz|graupen|bier'), says('oats', 'hafer'), says('wheat', 'gluten'), says(GLUTEN, 'glutenhaltiges getreide|getreide mit gluten'),
    says('wheat', 'mehl|starke|brot|nudel', 'check'),
    says('soy', 'soja|tofu|tempeh|edamame|miso|tamari|shoyu'), says('soy', 'lecithin|pflanzliches ol|pflanzenol|pflanzenfett', 'check'),
    says('almond', 'mandel|marzipan'), says('hazelnut', 'haselnuss|haselnusse|nougat'), says('walnut', 'walnuss|walnusse'), says('cashew', 'cashew|kaschu'), says('pecan', 'pekan|pecan'), says('brazil-nut', 'paranuss|paranusse'), says('pistachio', 'pistazi'), says('macadamia', 'macadamia|queenslandnuss'), says('pine-nut', 'pinienkern'), says('peanut', 'erdnuss|erdnusse'), says('coconut', 'kokosol|kokosfett'),
    says(TREE_NUTS, 'schalenfruchte|schalenfrucht|nusse|nuss'),
    says('milk', 'milch|molke|sahne|butter|kase|joghurt|jogurt|quark|rahm|kasein|casein|laktose|lactose|topfen|schmand|creme fraiche'),
    says('egg', 'huhnerei|vollei|eigelb|eiklar|eier|eipulver|eiprodukt|eialbumin|ei|eiweisspulver|mayonnaise'),
    says('fish', 'fisch|sardelle|anchovis|thunfisch|lachs|fischsauce'), says('crustacean', 'krebstier|krebs|garnele|krabbe|hummer|shrimp'), says('mollusc', 'weichtier|muschel|tintenfisch|auster|schnecke|calamar'),
    says('celery', 'sellerie'), says('celery mustard', 'gewurz|gewurze|gewurzmischung|bruhe', 'check'), says('mustard', 'senf'), says('sesame', 'sesam|tahin|halva'),
    says('sulphites', 'sulfit|schwefeldioxid|schwefligsaure|disulfit|geschwefelt|so2'), says('lupin', 'lupine|lupinen'),
  ],
  animal: ['honig', 'gelatine', 'schmalz', 'speck', 'fleisch', 'huhn', 'rind', 'schwein', 'schinken', 'bienenwachs', 'schellack', 'karmin', 'talg'],
  animalCheck: ['vitamin d3', 'mono- und diglyceride', 'naturliches aroma'],
  notVegan: /\bnicht (?:fur veganer|vegan)|\bnicht fur .{0,20}vegan/,
}; // prettier-ignore

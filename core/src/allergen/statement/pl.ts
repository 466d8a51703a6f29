/** Polish statements: the grammar of Regulation (EU) 1169/2011 and its voluntary warnings in Polish. */
import type { StatementLanguage } from './language';

export const POLISH: StatementLanguage = {
  id: 'pl',
  name: 'Polish',
  isCompounding: false,
  tellTale: ['zawiera', 'moze zawierac', 'skladniki', 'sladowe', 'woda', 'cukier', 'maka', 'bez', 'oraz', 'mleko', 'mleka', 'jaja', 'orzech*', 'orzesz*', 'pszen*', 'gorczyc*', 'soja', 'soi', 'seler*', 'sezam*', 'wyprodukowano', 'nieodpowiedni*'],
  may: /\bmoze zawierac\b|\bsladow|\bslady\b|\bmozliwa obecnosc\b|\b(?:wyprodukowano|produkowan\w+|pakowan\w+) w\b|\bzaklad\w*\b.*\b(?:uzywa|przetwarza)|\bnie (?:mozemy |mozna )?(?:gwarant|wyklucz)|\b(?:nieodpowiedni\w*|nie jest odpowiedni\w*|nie nadaje sie) dla\b/,
  mayStart: /(?=\bmoze zawierac\b)|(?=\bmozliwa obecnosc\b)/,
  free: [/\b(?:bez(?: dodatku)?|woln\w+ od|nie zawiera)\s+([^.;()]{2,60})/g, /\b(bezgluten)ow\w*/g],
  denied: /\bnie jest (?:woln|bez)|\bnie bez/,
  notVegan: /\bnie(?:odpowiedni\w*| jest odpowiedni\w*| nadaje sie) dla .{0,20}wegan|\bnie wegan/,
}; // prettier-ignore

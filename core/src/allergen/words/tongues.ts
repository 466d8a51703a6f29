/** Which languages a sentence is in, by the small words it is made of. */
import type { WordLanguage } from './words';

const small = (words: string): ReadonlySet<string> => new Set(words.split(' '));

/** Small words of each language, folded; those of English stand in none of them. */
const SMALL: readonly (readonly [WordLanguage, ReadonlySet<string>])[] = [
  ['fr', small('le la les du des de et avec sans un une au aux dans pour sur ajouter servir melanger cuire couper lier verser pas est cette ou parsemer saupoudrer plus jusqu l d a')],
  ['de', small('der das und mit ohne ein eine einen einem im dem den zu zum auf oder nicht kein keine fur bis dazu geben nach unter servieren wasser bestreuen unterheben')],
  ['es', small('el la los las con sin y de en un una al del para por o no servir anadir cocer mezclar agregar hasta espolvorear rebozar cortar')],
  ['it', small('il lo la gli le con senza di del della dei delle un una al alla per e o non unire servire cuocere aggiungere tagliare saltare mantecare fino nel nella agli ai')],
  ['pt', small('o os as com sem e de do da dos das em no na um uma ao para por ou nao cozer servir juntar polvilhar misturar ate cortar levar')],
  ['nl', small('de het een en met zonder van op voor of niet geen in tot serveren toevoegen bestrooien mengen koken snijden naar roer door')],
  ['pl', small('z ze i bez w we na do po lub oraz nie podawac dodac wymieszac posypac gotowac ugotowac piec az na smazyc polac zetrzec')],
  ['tr', small('ve ile bir icin uzerine serpin servis edin ekleyin pisirin dakika karistirin olmadan suda haslayin firinda ya da')],
]; // prettier-ignore

/** Small words and verbs that only an English sentence holds. */
const ENGLISH = small(
  'the and with without of for until it its them then into are or to not this that is be you we serve add stir cook our your at from over pour if when which has have will can some any by',
);

/** The languages a sentence holds the most small words of; none where it holds as many of English. */
export function tonguesOf(words: readonly string[]): ReadonlySet<WordLanguage> {
  const counts = SMALL.map(
    ([language, known]) => [language, words.filter((word) => known.has(word)).length] as const,
  );
  const most = Math.max(...counts.map(([, count]) => count));
  const english = words.filter((word) => ENGLISH.has(word)).length;
  return new Set(
    most <= english ? [] : counts.filter(([, count]) => count === most).map(([language]) => language),
  );
}

/**
 * Texts changed by chance: a word that brings an allergen, hidden in a step, a note, the title, a heading or a pack statement of a
 * dish or pack that is clear, in eight languages, under each kind of denial that denies nothing, with the noise of a scanner; and
 * harmless ones, which say plainly that something is absent or name what only looks like it. Written apart from the dictionary.
 */
import { type Book, randomFrom, readRecipe, type Recipe, recipeFromReading } from '@hand-ladle/core';

/** A word in a language and the allergen ids it brings; "vegan" where it comes from an animal. */
interface Word {
  word: string;
  brings: readonly string[];
}

const said = (brings: string, words: string): Word[] =>
  words.split('|').map((word) => ({ word, brings: brings.split(' ') }));

type Tongue = 'en' | 'fr' | 'de' | 'es' | 'it' | 'pt' | 'nl' | 'pl';

/** As a sentence or a list has them. */
const WORDS: Readonly<Record<Tongue, readonly Word[]>> = {
  en: [
    ...said('tree-nut', 'walnuts|almonds|cashews|hazelnuts|pistachios|marzipan'), ...said('peanut', 'peanuts|groundnuts'), ...said('soy', 'tofu|soya milk|tempeh|soy sauce'),
    ...said('gluten', 'breadcrumbs|couscous|pearl barley|wheat flour|semolina|puff pastry|udon'), ...said('sesame', 'tahini|sesame seeds'), ...said('celery', 'celery|celeriac'), ...said('mustard', 'mustard'),
    ...said('lupin', 'lupin flour'), ...said('milk vegan', 'butter|cheddar|yoghurt|brie|halloumi|double cream'), ...said('egg vegan', 'eggs|mayonnaise|aioli'), ...said('fish vegan', 'haddock|anchovies|herring|tuna'),
    ...said('crustacean vegan', 'prawns|scampi|crayfish'), ...said('mollusc vegan', 'mussels|squid|whelks'), ...said('vegan', 'honey|gelatine|bacon|lard'),
  ],
  fr: [
    ...said('tree-nut', 'noisettes|amandes|noix de cajou|pistaches'), ...said('peanut', 'cacahuètes|arachides'), ...said('gluten', 'semoule|chapelure|seigle'), ...said('milk vegan', 'beurre|fromage|crème fraîche'),
    ...said('egg vegan', 'œufs|jaunes d’œuf'), ...said('fish vegan', 'anchois|saumon|cabillaud'), ...said('crustacean vegan', 'crevettes|écrevisses'), ...said('mollusc vegan', 'moules|huîtres'), ...said('celery', 'céleri'),
    ...said('mustard', 'moutarde'), ...said('sesame', 'sésame'), ...said('vegan', 'miel|lardons|jambon'),
  ],
  de: [
    ...said('tree-nut', 'Haselnüsse|Mandeln|Walnüsse'), ...said('peanut', 'Erdnüsse'), ...said('gluten', 'Paniermehl|Roggen|Gerste|Weizenmehl|Dinkel'), ...said('milk vegan', 'Butter|Sahne|Käse|Quark'),
    ...said('egg vegan', 'Eier|Eigelb'), ...said('fish vegan', 'Lachs|Sardellen|Hering'), ...said('crustacean vegan', 'Garnelen|Krabben'), ...said('mollusc vegan', 'Muscheln|Tintenfisch'), ...said('celery', 'Sellerie|Liebstöckel'),
    ...said('mustard', 'Senf'), ...said('sesame', 'Sesam'), ...said('vegan', 'Honig|Speck|Schinken'),
  ],
  es: [
    ...said('tree-nut', 'avellanas|almendras|anacardos'), ...said('peanut', 'cacahuetes'), ...said('gluten', 'pan rallado|trigo|cebada'), ...said('milk vegan', 'mantequilla|queso|leche'), ...said('egg vegan', 'huevos|yemas'),
    ...said('fish vegan', 'anchoas|atún|bacalao'), ...said('crustacean vegan', 'gambas|langostinos'), ...said('mollusc vegan', 'mejillones|calamares'), ...said('celery', 'apio'), ...said('mustard', 'mostaza'), ...said('sesame', 'sésamo'), ...said('vegan', 'miel|jamón'),
  ],
  it: [
    ...said('tree-nut', 'nocciole|mandorle|pistacchi'), ...said('peanut', 'arachidi'), ...said('gluten', 'pangrattato|semola|frumento'), ...said('milk vegan', 'burro|parmigiano|ricotta'), ...said('egg vegan', 'uova|tuorli'),
    ...said('fish vegan', 'acciughe|tonno|merluzzo'), ...said('crustacean vegan', 'gamberi|scampi'), ...said('mollusc vegan', 'vongole|cozze'), ...said('celery', 'sedano'), ...said('mustard', 'senape'), ...said('sesame', 'sesamo'), ...said('vegan', 'miele|pancetta'),
  ],
  pt: [
    ...said('tree-nut', 'amêndoas|avelãs'), ...said('peanut', 'amendoins'), ...said('gluten', 'pão ralado|trigo|cevada'), ...said('milk vegan', 'manteiga|queijo|leite'), ...said('egg vegan', 'ovos|gemas'),
    ...said('fish vegan', 'bacalhau|atum'), ...said('crustacean vegan', 'camarões'), ...said('mollusc vegan', 'amêijoas|mexilhões'), ...said('celery', 'aipo'), ...said('mustard', 'mostarda'), ...said('sesame', 'sésamo'), ...said('vegan', 'presunto|toucinho'),
  ],
  nl: [
    ...said('tree-nut', 'hazelnoten|amandelen|walnoten'), ...said('peanut', 'pinda’s'), ...said('gluten', 'paneermeel|tarwebloem|rogge'), ...said('milk vegan', 'boter|kaas|slagroom'), ...said('egg vegan', 'eieren'),
    ...said('fish vegan', 'zalm|ansjovis|haring'), ...said('crustacean vegan', 'garnalen'), ...said('mollusc vegan', 'mosselen|inktvis'), ...said('celery', 'selderij|knolselderij'), ...said('mustard', 'mosterd'), ...said('sesame', 'sesamzaad'), ...said('vegan', 'honing|spek'),
  ],
  pl: [
    ...said('tree-nut', 'migdałami|orzechami'), ...said('peanut', 'orzeszkami ziemnymi'), ...said('gluten', 'bułką tartą|kaszą manną'), ...said('milk vegan', 'masłem|śmietaną|twarogiem'), ...said('egg vegan', 'jajkami'),
    ...said('fish vegan', 'łososiem|śledziem'), ...said('crustacean vegan', 'krewetkami'), ...said('celery', 'selerem'), ...said('mustard', 'musztardą'), ...said('sesame', 'sezamem'), ...said('vegan', 'miodem|boczkiem'),
  ],
}; // prettier-ignore

/** Sentences that bring "%", or leave it open whatever they seem to deny. */
const HIDING: Readonly<Record<Tongue, readonly string[]>> = {
  en: [
    'Stir in the %.', 'Serve with %.', 'Serve with or without %.', 'Never serve this without %.', 'Do not forget the %.', 'Instead of skipping the %, fold them in.', 'No % for table 4.', 'Without % on the children’s plates.',
    'Leave out the % only for Anna.', 'If there are no more carrots, use %.', 'Not for people allergic to %.', 'Please warn guests: %.', 'It cannot be made without %.', 'It used to be made without %, now it is with.', 'Can be made without % on request.',
    'No % until Friday, then as before.', 'Do not leave out the %.', 'Unsafe for anyone allergic to %.', 'Not safe with an allergy to %.', 'No one here leaves out the %.', 'Without %, unless somebody asks.', 'Made without %?', 'On Fridays we add %.',
    'Optional: %.', 'Top with % when there are some.', 'Keep away from guests who must not have %.', 'Usually without %.', 'Nearly free from %.', 'Free from % except on Sundays.', 'No carrots, then stir in the %.', 'Contains %.', 'Far from free of %.', 'Hardly ever without %.',
  ],
  fr: ['Servir avec %.', 'Ajouter %.', 'Parsemer de %.', 'Jamais sans %.', 'Ne pas oublier %.', 'Avec ou sans %.', 'Lier avec %.'],
  de: ['Mit % servieren.', 'Zum Schluss % dazu geben.', 'Nie ohne %.', 'Mit oder ohne %.', 'Nicht ohne %.', '% unterheben und servieren.'],
  es: ['Servir con %.', 'Añadir %.', 'Nunca sin %.', 'Con o sin %.', 'Espolvorear con %.'],
  it: ['Servire con %.', 'Unire %.', 'Mai senza %.', 'Con o senza %.', 'Aggiungere % e servire.'],
  pt: ['Servir com %.', 'Juntar %.', 'Nunca sem %.', 'Com ou sem %.', 'Polvilhar com %.'],
  nl: ['Serveren met %.', '% toevoegen en roer door.', 'Nooit zonder %.', 'Met of zonder %.', 'Bestrooien met %.'],
  pl: ['Podawać z %.', 'Wymieszać z %.', 'Polać %.', 'Posypać %.'],
}; // prettier-ignore

const NAMES = ['Carrots with %', '% and carrot pan', 'Carrot pot (with %)', 'Carrots in %'];
const HEADINGS = ['For the %:', '% layer:', 'With the %:'];

/** Plain statements for everybody, of one or two English words. */
const PLAIN = [
  'Made without %.', 'No %.', 'Without %.', 'Free from %.', 'Contains no %.', 'We do not use %.', 'No % in this.', 'No % and no &.', 'Without % or &.', 'Nothing here contains %.', 'There are no % in this dish.',
  'Contains neither % nor &.', 'Served without %.', 'Free from % and &.', 'No % on this, ever.', 'We use no % here.', 'Leave out the %.', 'Olive oil in place of %.',
]; // prettier-ignore
const FOREIGN_PLAIN: Readonly<Record<string, readonly string[]>> = {
  fr: ['Sans %.'],
  de: ['Ohne %.'],
  es: ['Sin %.'],
  it: ['Senza %.'],
  pt: ['Sem %.'],
  nl: ['Zonder %.'],
};
/** What only looks or sounds like an allergen. */
const LOOKALIKES = [
  'Cut to the size of a walnut.', 'Brush with a pastry brush.', 'Grease a muffin tin with olive oil.', 'Cook until it smells nutty.', 'Mash until creamy.', 'Cream the coconut oil until soft.', 'Butterfly the leeks and lay them flat.', 'Rinse until the water is no longer milky.',
  'Fold the leaves over.', 'Keep it in a cake tin.', 'It should be as thick as double cream.', 'Serve on a bread board.', 'Toast the caraway in a dry pan.', 'You will not miss the beef.', 'Roll the leaves up and steam them.', 'Taste it, and add salt.', 'Into the hot pan with it.',
  'Spoon it onto plates.', 'Store in the fridge for two days.', 'Beat it with a whisk until smooth.', 'Chop everything as fine as breadcrumbs.', 'Wait for ten minutes.', 'Turn the heat down and cover.', 'Season to taste with salt and pepper.',
]; // prettier-ignore

const BASE_LINES = '600 g carrots|300 g potatoes|200 g leeks|150 g brown rice|1 onion|2 cloves garlic|20 g olive oil|1 tsp fine salt|400 g white cabbage|2 apples|100 g red lentils|300 ml water'.split('|'); // prettier-ignore
const BASE_STEPS = [
  'Cut everything small.',
  'Simmer gently for 30 minutes, covered.',
  'Roast at 200 °C for 35 minutes, until brown at the edge.',
  'Taste and serve hot.',
];
const BASE_TITLES = ['Carrot pot', 'Winter tray', 'Cabbage and apple pan', 'Roots from the oven'];

type Random = () => number;
const pick = <T>(items: readonly T[], random: Random): T => items[Math.floor(random() * items.length)]!;
function some(items: readonly string[], most: number, random: Random): string[] {
  const left = [...items];
  return Array.from(
    { length: 1 + Math.floor(random() * most) },
    () => left.splice(Math.floor(random() * left.length), 1)[0]!,
  );
}

/** What a scanner or a hurried hand makes of a text; the words stay to be told. */
const NOISE: readonly ((text: string, random: Random) => string)[] = [
  (text) => text,
  (text) => text,
  (text) => text.toUpperCase(),
  (text) => text.toLowerCase(),
  (text) => text.replace(/ /g, '  '),
  (text) => text.replace(/\bl(?=\p{L})/u, '|'),
  (text) => `*${text}*`,
  (text) => text.replace(/\.$/, ''),
  (text) => text.replace(/ /g, '\u00a0'),
];

function recipeWith(
  parts: { title?: string; heading?: string; step?: string; note?: string },
  seed: number,
  random: Random,
  book: Book,
): { recipe: Recipe; text: string } {
  const lines = some(BASE_LINES, 6, random);
  const steps = some(BASE_STEPS, 3, random);
  const at = Math.floor(random() * (steps.length + 1));
  const text = [
    parts.title ?? pick(BASE_TITLES, random),
    'Serves 4', '', 'Ingredients', ...lines,
    ...(parts.heading === undefined ? [] : [parts.heading, '1 beetroot']),
    '', 'Method',
    ...(parts.step === undefined ? steps : [...steps.slice(0, at), parts.step, ...steps.slice(at)]),
    ...(parts.note === undefined ? [] : ['', 'Notes', parts.note]),
  ].join('\n'); // prettier-ignore
  return { recipe: recipeFromReading(readRecipe(text, book.foods), `mutated-${seed}`), text };
}

export interface Mutated {
  recipe: Recipe;
  text: string;
  /** What must not be clear; for a harmless text what must be. */
  ids: readonly string[];
}

const tongues = Object.keys(WORDS) as Tongue[];
const fill = (sentence: string, ...words: string[]): string =>
  words.reduce((text, word, index) => text.replace(index === 0 ? '%' : '&', () => word), sentence);

/** A clear dish with a word hidden in it; the same for the same seed. */
export function hiddenText(seed: number, book: Book): Mutated {
  const random = randomFrom(seed);
  const tongue = pick(tongues, random);
  const { word, brings } = pick(WORDS[tongue], random);
  const noise = pick(NOISE, random);
  const place = pick(['step', 'step', 'note', 'note', 'title', 'heading'] as const, random);
  const sentence =
    place === 'title' || place === 'heading'
      ? fill(
          pick(place === 'title' ? NAMES : HEADINGS, random),
          tongue === 'en' ? word : pick(WORDS.en, random).word,
        )
      : noise(fill(pick(HIDING[tongue], random), word), random);
  const ids =
    (place === 'title' || place === 'heading') && tongue !== 'en'
      ? WORDS.en.find((each) => sentence.includes(each.word))!.brings
      : brings;
  return { ...recipeWith({ [place]: sentence }, seed, random, book), ids };
}

/** A clear dish with a harmless sentence in it: it must stay clear of everything the sentence names. */
export function harmlessText(seed: number, book: Book): Mutated {
  const random = randomFrom(seed);
  const place = pick(['step', 'note'] as const, random);
  const kind = pick(['plain', 'plain', 'foreign', 'lookalike'] as const, random);
  if (kind === 'lookalike')
    return { ...recipeWith({ [place]: pick(LOOKALIKES, random) }, seed, random, book), ids: EVERYTHING };
  if (kind === 'foreign') {
    const tongue = pick(Object.keys(FOREIGN_PLAIN) as Tongue[], random);
    const { word, brings } = pick(WORDS[tongue], random);
    const sentence = fill(pick(FOREIGN_PLAIN[tongue]!, random), word);
    return { ...recipeWith({ note: sentence }, seed, random, book), ids: brings };
  }
  const [one, other] = [pick(WORDS.en, random), pick(WORDS.en, random)];
  const frame = pick(PLAIN, random);
  const sentence = fill(frame, one.word, other.word);
  return {
    ...recipeWith({ [place]: sentence }, seed, random, book),
    ids: frame.includes('&') ? [...one.brings, ...other.brings] : one.brings,
  };
}
const EVERYTHING =
  'tree-nut peanut soy gluten sesame celery mustard lupin milk egg fish crustacean mollusc vegan'.split(' ');

const LISTS: Readonly<Record<Tongue, readonly string[]>> = {
  en: ['Ingredients: rice, %, salt.', 'Ingredients: water, salt, %', 'May contain %.', 'No added sugar, %, salt.', 'Made on a line that also packs %.', 'Not suitable for anyone allergic to %.', 'Ingredients: filling (potato, % (2 %)), salt.', 'We cannot guarantee that it is free from %.'],
  fr: ['Ingrédients : riz, %, sel.', 'Peut contenir : %.', 'Sans sucres ajoutés, %, sel.'],
  de: ['Zutaten: Reis, %, Salz.', 'Kann Spuren von % enthalten.', 'Ohne Zuckerzusatz, %, Salz.'],
  es: ['Ingredientes: arroz, %, sal.', 'Puede contener %.', 'Sin azúcares añadidos, %, sal.'],
  it: ['Ingredienti: riso, %, sale.', 'Può contenere %.', 'Senza zuccheri aggiunti, %, sale.'],
  pt: ['Ingredientes: arroz, %, sal.', 'Pode conter %.', 'Sem adição de açúcar, %, sal.'],
  nl: ['Ingrediënten: rijst, %, zout.', 'Kan sporen van % bevatten.', 'Zonder toegevoegde suiker, %, zout.'],
  pl: ['Składniki: ryż z %, sól.', 'Może zawierać ryż z %.'],
}; // prettier-ignore
const STATEMENT_NOISE: readonly ((text: string) => string)[] = [
  (text) => text, (text) => text, (text) => text.toUpperCase(), (text) => text.replace(/, /g, ',\n'), (text) => text.replace(/, /g, '; '), (text) => `<b>${text}</b>`,
  (text) => text.replace(/([a-z]{3})([a-z]{4,})(?=[^a-z]*$)/, '$1-\n$2'), (text) => text.replace(/(?<=[a-z])o(?=[a-z])/, '0'), (text) => text.replace(/(?<=[a-z])l(?=[a-z])/, '1'),
]; // prettier-ignore

/** A statement with a word in it, as a scanner left it; what must be said or asked. */
export function statementText(seed: number): { text: string; ids: readonly string[] } {
  const random = randomFrom(seed);
  const tongue = pick(tongues, random);
  const { word, brings } = pick(WORDS[tongue], random);
  const list = fill(pick(LISTS[tongue], random), word);
  return { text: pick(STATEMENT_NOISE, random)(list), ids: brings.filter((id) => id !== 'vegan') };
}

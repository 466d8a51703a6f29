/** A recipe as schema.org JSON-LD, ours and anybody's. Source: schema.org Recipe, HowToStep, HowToSection. */
import { applyKept, keptOf, plainTold, type ToldRecipe } from './told';

/** Under this property our own exports keep what the vocabulary has no place for. */
const KEPT_PROPERTY = 'hand-ladle';

type Json = Record<string, unknown>;
const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const list = (value: unknown): unknown[] =>
  Array.isArray(value) ? value : value === undefined || value === null ? [] : [value];

/** A recipe as one JSON-LD object. */
export function recipeToJsonLd(told: ToldRecipe): Json {
  return {
    '@context': 'https://schema.org',
    '@type': 'Recipe',
    identifier: told.id,
    name: told.name,
    ...(told.portions === null ? {} : { recipeYield: `${told.portions} servings` }),
    recipeIngredient: told.lines.map(({ text }) => text),
    ...(told.notes.length > 0 ? { description: told.notes.join('\n') } : {}),
    recipeInstructions: told.steps.map(({ text }) => ({ '@type': 'HowToStep', text })),
    additionalProperty: [{ '@type': 'PropertyValue', propertyID: KEPT_PROPERTY, value: keptOf(told) }],
  };
}

const ENTITIES: Readonly<Record<string, string>> = {
  amp: '&',
  lt: '<',
  gt: '>',
  quot: '"',
  apos: "'",
  nbsp: ' ',
  deg: '°',
  frac12: '½',
  frac14: '¼',
  frac34: '¾',
  ndash: '–',
  mdash: '—',
  rsquo: '’',
  lsquo: '‘',
  eacute: 'é',
  egrave: 'è',
  times: '×',
};

/** Text of a value that pages write with tags and entities in it. */
export function plainHtmlText(value: unknown): string {
  if (typeof value !== 'string') return typeof value === 'number' ? String(value) : '';
  return value
    .replace(/<(?:br|\/p|\/li|\/div)\b[^>]*>/gi, '\n')
    .replace(/<[a-z/][^>]*>/gi, ' ')
    .replace(
      /&(?:#(\d{1,6})|#x([\da-f]{1,6})|([a-z]+\d*));/gi,
      (whole, decimal, hex, name: string | undefined) => {
        const code = decimal ? Number(decimal) : hex ? parseInt(hex, 16) : null;
        if (code !== null) return code > 0 && code <= 0x10ffff ? String.fromCodePoint(code) : ' ';
        return ENTITIES[name?.toLowerCase() ?? ''] ?? whole;
      },
    )
    .replace(/[ \t\u00a0]+/g, ' ')
    .replace(/ *\n\s*/g, '\n')
    .trim();
}

/** Instructions as pages write them: one text, a list of texts, steps, or sections of steps. */
function stepsOf(value: unknown): string[] {
  return list(value).flatMap((each) => {
    if (typeof each === 'string')
      return plainHtmlText(each)
        .split('\n')
        .map((line) => line.replace(/^\d+[.)]\s+/, ''))
        .filter(Boolean);
    if (!isObject(each)) return [];
    const inner = each['itemListElement'] ?? each['steps'];
    if (inner !== undefined) return stepsOf(inner);
    const text = plainHtmlText(each['text'] ?? each['name']);
    return text === '' ? [] : [text.replace(/\n+/g, ' ')];
  });
}

/** Portions of "4", "Serves 4 to 6", ["4", "4 bowls"]. */
function portionsOf(value: unknown): number | null {
  for (const each of list(value)) {
    const text = isObject(each) ? plainHtmlText(each['value']) : plainHtmlText(each);
    const found = /\d+(?:\.\d+)?/.exec(text);
    if (found && Number(found[0]) > 0) return Number(found[0]);
  }
  return null;
}

const isRecipe = (value: Json): boolean =>
  list(value['@type']).some((type) => typeof type === 'string' && /(?:^|[/#:])Recipe$/.test(type));

function ownText(told: ToldRecipe, value: Json): ToldRecipe {
  // Our own lines are kept to the letter: an export is not a page, so nothing in it is markup.
  const lines = list(value['recipeIngredient']).filter((each): each is string => typeof each === 'string');
  const steps = list(value['recipeInstructions'])
    .filter(isObject)
    .map((each) => each['text'])
    .filter((each): each is string => typeof each === 'string');
  const plain = plainTold(typeof value['name'] === 'string' ? value['name'] : told.name, lines, steps);
  return { ...plain, portions: told.portions, notes: [] };
}

function recipeOf(value: Json): ToldRecipe {
  const ingredients = list(value['recipeIngredient'] ?? value['ingredients'])
    .flatMap((each) => plainHtmlText(isObject(each) ? (each['name'] ?? each['text']) : each).split('\n'))
    .filter(Boolean);
  const told = {
    ...plainTold(
      plainHtmlText(value['name']) || plainHtmlText(value['headline']),
      ingredients,
      stepsOf(value['recipeInstructions']),
    ),
    portions: portionsOf(value['recipeYield'] ?? value['yield']),
    // What a page says about the dish may name what is in it.
    notes: ['description', 'recipeNotes', 'comment', 'keywords']
      .flatMap((each) => list(value[each]))
      .map((each) => plainHtmlText(isObject(each) ? each['text'] : each))
      .filter(Boolean),
  };
  const kept = list(value['additionalProperty']).find(
    (each) => isObject(each) && each['propertyID'] === KEPT_PROPERTY,
  );
  return isObject(kept) ? applyKept(ownText(told, value), kept['value']) : told;
}

/** Most objects looked at in one document, so that a hostile one ends. */
const MOST_OBJECTS = 20_000;

/** Every recipe in a JSON value, however deep (graphs, lists, pages). */
export function recipesFromJsonLd(value: unknown): ToldRecipe[] {
  const found: ToldRecipe[] = [];
  const waiting: unknown[] = [value];
  for (let looked = 0; waiting.length > 0 && looked < MOST_OBJECTS; looked += 1) {
    const each = waiting.shift();
    if (Array.isArray(each)) waiting.unshift(...each.slice(0, MOST_OBJECTS));
    else if (isObject(each)) {
      if (isRecipe(each)) found.push(recipeOf(each));
      else waiting.unshift(...Object.values(each).filter((inner) => typeof inner === 'object'));
    }
  }
  return found;
}

/** What the words of a recipe name and no line holds, as traces and as questions. */
import type { Trace } from '../allergen';
import { isTelling, type Mention, placeWords } from '../audit';
import { type Finding, finding } from '../finding';
import { SUBSTANCE_NAMES, substancesIn } from '../food';

/** Open mentions as traces of the whole: each stands in the text and on no line. */
export function mentionTraces(mentions: readonly Mention[]): Trace[] {
  return mentions.flatMap((mention): Trace[] => {
    const { end, bits, contains, own, place, text, from, to, status } = mention;
    if (end === 'line') return addedTraces(mention);
    if (end !== 'open' || (bits === 0 && own === 0)) return [];
    const where = placeWords(place);
    const route = `"${text}" in ${where}`;
    const trace = (standing: Trace['status'], some: number, someOwn: number): Trace => ({
      status: standing,
      isNamed: mention.kind !== 'unknown',
      bits: some,
      own: someOwn,
      lineId: null,
      path: [route],
      route,
      evidence: {
        kind: 'named in the text',
        words: `${where} names it, and no line of the list holds it`,
        productName: null,
        statementVersion: null,
        checkedBy: null,
        checkedOn: null,
      },
      mention: { text, from, to, place: where },
    });
    const rest = bits & ~contains;
    return [
      ...(status === 'contains' ? [trace('contains', contains, 0)] : []),
      ...(rest !== 0 || own !== 0 ? [trace('check', rest, own)] : []),
    ];
  });
}

/** What the words of a line say of its food beyond what the larder knows. */
function addedTraces({ added, text, place }: Mention): Trace[] {
  const trace = (status: Trace['status'], bits: number): Trace => ({
    status,
    isNamed: true,
    bits,
    own: 0,
    lineId: place.id,
    path: [text],
    route: text,
    evidence: {
      kind: 'named in the text',
      words:
        status === 'contains'
          ? `the line says "${text}"`
          : `"${text}" often holds it, and no pack is on record`,
      productName: null,
      statementVersion: null,
      checkedBy: null,
      checkedOn: null,
    },
  });
  return [
    ...(added.contains !== 0 ? [trace('contains', added.contains)] : []),
    ...(added.check !== 0 ? [trace('check', added.check)] : []),
  ];
}

/** A line whose words often hold more than its food is known for: its pack settles it. */
function addedFindings(mentions: readonly Mention[]): Finding[] {
  return mentions.flatMap(({ end, added, text, place }) => {
    const substances = substancesIn(added.check);
    if (end !== 'line' || (substances.length === 0 && added.check === 0)) return [];
    const allergens = [...substances.map((each) => SUBSTANCE_NAMES[each])].join(', ') || 'animal food';
    return [finding('certificate-unknown', place.id, { name: text, allergens, trap: '' })];
  });
}

/** Words of people and diets: they name no food, and say who must not have one. */
const WARNING = /^(?:coeliac|celiac|vegan|allerg|intoleran|gluten)/;
const warnedOf = ({ bits }: Mention): string => {
  const names = substancesIn(bits).map((each) => SUBSTANCE_NAMES[each]);
  return names.length > 4 ? 'animal food' : names.join(', ');
};

/** One question for each name, however often it stands there: the answer settles every place. */
export function mentionFindings(mentions: readonly Mention[]): Finding[] {
  const byName = new Map<string, Mention[]>();
  for (const mention of mentions)
    if (isTelling(mention)) byName.set(mention.name, [...(byName.get(mention.name) ?? []), mention]);
  const asked = [...byName].map(([name, places]) => {
    const [first] = places;
    const words = [...new Set(places.map(({ place }) => placeWords(place)))].join(', ');
    const code = places.every(({ kind }) => kind === 'unknown') ? 'named-unknown' : 'named-nowhere';
    const warns = WARNING.test(name) ? warnedOf(first!) : '';
    return finding(code, null, { written: first!.text, name, places: words, warns });
  });
  return [...asked, ...addedFindings(mentions)];
}

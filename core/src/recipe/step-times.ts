/** Every time and temperature that a step says, in figures or in words. */
import { type Finding, finding } from '../finding';
import { celsiusFromFahrenheit, fahrenheitFromCelsius } from '../quantity';

/** A length of time a step names, in minutes. */
export interface StepTimeSaid {
  minutes: number;
  low: number;
  high: number;
  /** Where it stands in the step, in lower case. */
  from: number;
  to: number;
  /** "every 10 minutes", "for the last 5 minutes", "after 20 minutes": a moment within another time, none of its own. */
  isWithin: boolean;
}

const WORDS: Readonly<Record<string, string>> = Object.fromEntries(
  'one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen twenty'
    .split(' ')
    .map((word, index) => [word, String(index + 1)]),
);
const TENS: Readonly<Record<string, number>> = {
  twenty: 20,
  thirty: 30,
  forty: 40,
  fifty: 50,
  sixty: 60,
  ninety: 90,
};
const UNITS_IN_WORDS = 'one|two|three|four|five|six|seven|eight|nine';
const BEFORE_UNIT =
  '(?=(?:[\\s-]+(?:to|or)[\\s-]+[\\w-]+|[\\s-]+(?:more|whole|good|full))?[\\s-]*(?:minutes?|mins?|hours?|hrs?|seconds?|secs?)\\b)';

const spaces = (text: string, length: number): string => text + ' '.repeat(Math.max(0, length - text.length));
/** Puts figures for words, at the same places, so that what is found still stands where it was written. */
function inFigures(text: string): string {
  const put =
    (value: (...groups: string[]) => string) =>
    (whole: string, ...groups: string[]): string =>
      spaces(value(...groups), whole.length);
  return text
    .replace(/½/g, '.5')
    .replace(
      /\b(\d+)h(\d{2})\b/g,
      (_, hours: string, minutes: string) => `${Number(hours) + Number(minutes) / 60}h`,
    )
    .replace(/(\d)\s+1\/2\b/g, (_, whole: string) => spaces(`${whole}.5`, _.length))
    .replace(
      /\b(?:an?|one) hours? and (?:a )?(half|quarter)\b/g,
      put((part) => (part === 'half' ? '90 minutes' : '75 minutes')),
    )
    .replace(
      /\b(\d+|two|three|four|five|six) (?:and a half|hours? and a half)(?: hours?)?\b/g,
      put((whole) => `${(Number(WORDS[whole!] ?? whole) || 0) + 0.5} hours`),
    )
    .replace(
      /\bthree[- ]quarters of an hour\b/g,
      put(() => '45 minutes'),
    )
    .replace(
      /\b(?:a )?quarter of an hour\b/g,
      put(() => '15 minutes'),
    )
    .replace(
      /\bhalf an hour\b|\bhalf-hour\b|\ba half hour\b/g,
      put(() => '30 minutes'),
    )
    .replace(
      /\ba couple of (minutes|mins|hours)\b/g,
      put((unit) => `2 ${unit}`),
    )
    .replace(
      /\ban hour\b/g,
      put(() => '1 hour'),
    )
    .replace(
      /\ba minute\b/g,
      put(() => '1 minute'),
    )
    .replace(
      new RegExp(
        `\\b(twenty|thirty|forty|fifty|sixty|ninety)(?:[- ](${UNITS_IN_WORDS}))?\\b${BEFORE_UNIT}`,
        'g',
      ),
      put((tens, one) => String(TENS[tens!]! + Number(one ? WORDS[one] : 0))),
    )
    .replace(
      new RegExp(`\\b(${Object.keys(WORDS).join('|')})\\b${BEFORE_UNIT}`, 'g'),
      put((word) => WORDS[word!]!),
    );
}

const TIME =
  /(\d*\.?\d+)(?:\s*(?:-|–|to|or)\s*(\d*\.?\d+))?[\s-]*(?:more )?(minutes?|mins?|hours?|hrs?|h|seconds?|secs?)\b(?:\s*(?:and\s*)?(\d+)\s*(?:minutes?|mins?|m)\b|(\d{2})\b)?/g;
const WITHIN =
  /\b(?:every|each|after|first|last|final|within|half way|halfway|in the|per)\s+(?:about |the |another )?$/;

/** Every time of a step, in order. */
export function timesIn(text: string): StepTimeSaid[] {
  const plain = inFigures(text.toLowerCase());
  return [...plain.matchAll(TIME)].map((found) => {
    const [whole, first, second, unit, more, joined] = found;
    const scale = unit!.startsWith('h') ? 60 : unit!.startsWith('s') ? 1 / 60 : 1;
    const extra = Number(more ?? (unit!.startsWith('h') ? joined : undefined) ?? 0);
    const low = Number(first) * scale + extra;
    const high = second === undefined ? low : Number(second) * scale + extra;
    return {
      minutes: (low + high) / 2,
      low,
      high,
      from: found.index,
      to: found.index + whole.length,
      isWithin: WITHIN.test(plain.slice(Math.max(0, found.index - 24), found.index)),
    };
  });
}

/** Oven thermostat marks in degrees Celsius (common kitchen reference): mark 1 is 140, each mark about 15 more. */
const GAS_MARK_CELSIUS = [0, 140, 150, 170, 180, 190, 200, 220, 230, 240, 260];

export interface StepTemperature {
  /** Null where the step does not say which degrees it means. */
  celsius: number | null;
  written: number;
  unit: 'c' | 'f' | 'gas' | null;
  isFan: boolean;
  /** Of a core, of oil or of water: not what the oven is set to. */
  isInside: boolean;
}

const DEGREES =
  /(?:\bgas(?: mark)?\s*(\d{1,2})\b)|(\bfan(?: oven)?\s*(?:at\s*)?)?\b(\d{2,3})\s*(°|º|degrees?\b|deg\b\.?)?\s*(celsius|centigrade|fahrenheit|c|f)?\b(?!\s*(?:g|kg|ml|l|minutes?|mins?|hours?|x|%|cm|mm)\b|\d|\.\d)(\s*\(?\s*(?:on\s+)?(?:fan|convection))?/g;
const HEATS = /\b(?:oven|preheat|bake|roast|heat)\b[^.;]{0,30}$/;
const INSIDE =
  /\b(?:core|inside|centre|center|oil|water|probe|reads?|reach(?:es)?|above|below|thermometer|hold)\b[^.;,]{0,20}$/;

/** Every temperature of a step, in order. A bare figure counts only where an oven is being set. */
export function temperaturesIn(text: string): StepTemperature[] {
  const lower = text.toLowerCase();
  return [...lower.matchAll(DEGREES)].flatMap((found): StepTemperature[] => {
    const [, mark, fanBefore, figure, degrees, letter, fanAfter] = found;
    const before = lower.slice(Math.max(0, found.index - 40), found.index);
    if (mark !== undefined) {
      const celsius = GAS_MARK_CELSIUS[Number(mark)] ?? null;
      return [{ celsius, written: Number(mark), unit: 'gas', isFan: false, isInside: false }];
    }
    const isFan = fanBefore !== undefined || fanAfter !== undefined;
    const written = Number(figure);
    const unit = letter === undefined ? null : letter.startsWith('f') ? 'f' : 'c';
    const isSet = written >= 100 && (isFan || HEATS.test(before));
    if (unit === null && degrees === undefined && !isSet) return [];
    // "for 10 c" is a cup, "20 f" nothing: a lone letter needs a figure an oven or a core can have.
    if (degrees === undefined && unit !== null && written < 40) return [];
    const celsius = unit === 'c' ? written : unit === 'f' ? Math.round(celsiusFromFahrenheit(written)) : null;
    return [{ celsius, written, unit, isFan, isInside: INSIDE.test(before) }];
  });
}

/** How far two written temperatures may be apart and still be the same: a dial's width, in °F, and a mark's in °C. */
const SAME_FAHRENHEIT = 8;
const SAME_MARK_CELSIUS = 12;

/** Temperatures that disagree, and figures that do not say their degrees. */
export function temperatureFindings(said: readonly StepTemperature[]): Finding[] {
  const plain = said.filter(({ isFan, isInside }) => !isFan && !isInside);
  const celsius = plain.find(({ unit }) => unit === 'c');
  const found: Finding[] = [];
  const fahrenheit = plain.find(({ unit }) => unit === 'f');
  if (celsius && fahrenheit) {
    const reckoned = Math.round(fahrenheitFromCelsius(celsius.written));
    if (Math.abs(reckoned - fahrenheit.written) > SAME_FAHRENHEIT)
      found.push(
        finding('temperature-contradiction', null, {
          celsius: celsius.written,
          fahrenheit: fahrenheit.written,
          reckoned,
        }),
      );
  }
  const mark = plain.find(({ unit }) => unit === 'gas');
  const dial = celsius ?? fahrenheit;
  if (mark?.celsius && dial?.celsius && Math.abs(mark.celsius - dial.celsius) > SAME_MARK_CELSIUS)
    found.push(
      finding('gas-mark-contradiction', null, {
        mark: mark.written,
        celsius: dial.celsius,
        reckoned: mark.celsius,
      }),
    );
  const isSaid = said.some(({ unit }) => unit !== null);
  for (const each of said)
    if (each.unit === null && !isSaid)
      found.push(
        finding('temperature-unit', null, {
          degrees: each.written,
          asCelsius: Math.round(celsiusFromFahrenheit(each.written)),
        }),
      );
  return found;
}

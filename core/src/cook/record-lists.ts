/** The production record of a batch and the log of a day, as lists: on screen, on paper and as a table they say the same. */
import type { Kitchen } from '../kitchen';
import { figureText, gramsText } from '../quantity';
import { type ListSection, type ServiceList } from '../service';
import { differences } from './differs';
import { type EntryBody, inOrderWritten, type KeptEntry, type Standing, standing, writtenAt } from './log';
import { groundOfBatch, type OpenedBatch } from './opened';
import { type JudgedReading, judgedReadings, POINT_NAMES, readingText } from './points';
import { batchState } from './state';

const MINUTES = new Map<string, Intl.DateTimeFormat>();

/** "14:05" by the kitchen's wall clock. */
export function timeIn(timeZone: string, instant: number): string {
  let format = MINUTES.get(timeZone);
  if (!format)
    MINUTES.set(
      timeZone,
      (format = new Intl.DateTimeFormat('en-GB', {
        timeZone,
        hour: '2-digit',
        minute: '2-digit',
        hour12: false,
      })),
    );
  return format.format(instant);
}

export const CAUTION =
  'A record for the kitchen. Local food law and the food safety officer go first; what is missing was not measured.';

const signed = ({ by, isSigned }: { by: string; isSigned: boolean }): string =>
  by === '' ? 'nobody said who' : isSigned ? by : `${by} (not signed)`;

/** An entry in words. */
export function bodyWords(body: EntryBody, opening: OpenedBatch | null): string {
  const ground = opening === null ? null : groundOfBatch(opening);
  const food = (id: string): string =>
    (ground?.book.foods.foods.get(id) ?? ground?.book.components.get(id))?.name ?? id;
  const line = (id: string): string => ground?.planned.lines.find((each) => each.id === id)?.name ?? id;
  const step = (id: string): string => {
    const at = ground?.steps.findIndex((each) => each.id === id) ?? -1;
    return at < 0 ? '' : `step ${at + 1}`;
  };
  const load = (number: number): string => (number > 1 ? `, load ${number}` : '');
  switch (body.kind) {
    case 'begun':
      return body.isClean ? 'Begun; the equipment is clean' : 'Begun';
    case 'weighed':
      return `${gramsText(body.grams)} ${line(body.lineId)}${load(body.load)}${body.isAfterTasting ? ', after tasting' : ''}${body.from === '' ? '' : `, from ${body.from}`}${body.way === 'typed' ? ' (typed)' : ''}`;
    case 'added':
      return `Added ${gramsText(body.grams)} ${food(body.foodId)}${load(body.load)}: ${body.because}`;
    case 'substituted':
      return `${gramsText(body.grams)} ${food(body.foodId)} instead of ${line(body.lineId)}${load(body.load)}`;
    case 'misplaced':
      return `${gramsText(body.grams)} ${line(body.lineId)}${load(body.load)} went into another bowl${body.into === '' ? ' of this batch' : `: ${body.into}`}`;
    case 'dropped':
      return `Dropped ${gramsText(body.grams)} ${line(body.lineId)}${load(body.load)}`;
    case 'left-out':
      return `Left out: ${line(body.lineId)}${load(body.load)}`;
    case 'later':
      return `${line(body.lineId)}${load(body.load)} goes in with ${step(body.stepId)}`;
    case 'step-done':
      return `Done: ${step(body.stepId)}${load(body.load)}`;
    case 'pack':
      return `Opened ${food(body.foodId)}: "${body.product}"${body.supplier === '' ? '' : `, ${body.supplier}`}${body.lot === '' ? '' : `, lot ${body.lot}`}`;
    case 'tasted':
      return `Tasted: ${body.taste}${body.words === '' ? '' : `, ${body.words}`}`;
    case 'timer-started':
      return `Timer "${body.name}": ${figureText(body.minutes, 1)} min${body.everyMinutes === null ? '' : `, then every ${figureText(body.everyMinutes, 0)} min`}`;
    case 'timer-answered':
      return 'Timer answered';
    case 'timer-stopped':
      return 'Timer stopped';
    case 'reading':
      return `${POINT_NAMES[body.point]}${body.where === '' ? '' : `, ${body.where}`}: ${readingText(body.celsius)}${body.way === 'typed' ? ' (typed)' : ''}`;
    case 'action':
      return `Done about it: ${body.action}${body.words === '' ? '' : `, ${body.words}`}`;
    case 'finished':
      return `Finished weight ${gramsText(body.grams)}`;
    case 'portioned':
      return `${figureText(body.portions, 1)} portions${body.portionGrams === null ? '' : ` of ${gramsText(body.portionGrams)}`}`;
    case 'left-over':
      return `Left over ${gramsText(body.grams)}`;
    case 'thrown-away':
      return `Thrown away ${gramsText(body.grams)}: ${body.reason}`;
    case 'verdict': {
      const scores = Object.entries(body.scores).map(([name, score]) => `${name} ${score} of 5`);
      return `Verdict: ${[...scores, ...(body.words === '' ? [] : [body.words])].join(', ')}`;
    }
    case 'note':
      return body.words;
    case 'answered':
      return `Answered: ${body.words}`;
    case 'closed':
      return 'Closed';
    case 'correction':
      return `Corrected: ${body.reason}${body.instead === null ? '; it does not count' : `; instead: ${bodyWords(body.instead, opening)}`}`;
  }
}

const COLUMNS = {
  entries: [
    { name: 'Time', share: 0.11 },
    { name: 'What', share: 0.58 },
    { name: 'Planned, or who', share: 0.31 },
  ],
  readings: [
    { name: 'Time', share: 0.1 },
    { name: 'Point and place', share: 0.25 },
    { name: 'Read', share: 0.1, isNumber: true },
    { name: 'Limit', share: 0.2 },
    { name: 'Standing', share: 0.17 },
    { name: 'Who', share: 0.18 },
  ],
};

/** Every entry as it was written, the corrected ones too: nothing is left out of a record. */
export function entryRows(
  entries: readonly KeptEntry[],
  opening: OpenedBatch | null,
  timeZone: string,
): string[][] {
  const counts = new Set(standing(entries).map(({ entry, corrected }) => (corrected ? '' : entry.id)));
  return inOrderWritten(entries).map((entry) => {
    const isOut = entry.body.kind !== 'correction' && !counts.has(entry.id);
    return [
      timeIn(timeZone, writtenAt(entry)),
      `${bodyWords(entry.body, opening)}${isOut ? ' (corrected below)' : ''}`,
      signed(entry),
    ];
  });
}

const VERDICTS: Readonly<Record<JudgedReading['verdict'], string>> = {
  in: 'in',
  out: 'OUT',
  'with the others': 'see cooling',
};

function readingRow(reading: JudgedReading, timeZone: string): string[] {
  const { at, point, where, celsius, limitWords, verdict, actions, lateMinutes, way } = reading;
  const done = actions.map(({ action, words, by }) => `${action}${words === '' ? '' : `, ${words}`} (${by})`);
  const late = lateMinutes > 0 ? `written ${lateMinutes} min later` : '';
  const standing_ = [
    VERDICTS[verdict],
    ...(verdict === 'out' && done.length === 0 ? ['nothing done about it yet'] : done),
    ...(late === '' ? [] : [late]),
    ...(reading.correctedBecause === '' ? [] : [`corrected: ${reading.correctedBecause}`]),
  ].join('; ');
  return [
    timeIn(timeZone, at),
    `${POINT_NAMES[point]}${where === '' ? '' : `, ${where}`}`,
    `${readingText(celsius)}${way === 'typed' ? '*' : ''}`,
    limitWords,
    standing_,
    signed(reading),
  ];
}

/** An entry as the stove lists it. */
export interface EntryRow {
  id: string;
  time: string;
  words: string;
  by: string;
  isSent: boolean;
  mayCorrect: boolean;
  isCorrected: boolean;
}

/** Every entry, newest first, and whether it can be corrected. */
export function entryList(entries: readonly KeptEntry[], opening: OpenedBatch): EntryRow[] {
  const corrected = new Set(entries.flatMap(({ body }) => (body.kind === 'correction' ? [body.of] : [])));
  const { timeZone } = opening.inputs.kitchen.service;
  return inOrderWritten(entries)
    .reverse()
    .map((entry) => ({
      id: entry.id,
      time: timeIn(timeZone, writtenAt(entry)),
      words: bodyWords(entry.body, opening),
      by: entry.by,
      isSent: entry.receivedAt !== null,
      mayCorrect: entry.body.kind !== 'correction',
      isCorrected: corrected.has(entry.id),
    }));
}

const filled = (sections: ListSection[]): ListSection[] => sections.filter(({ rows }) => rows.length > 0);

/** The production record of a batch. */
export function productionRecord(
  opening: OpenedBatch,
  entries: readonly KeptEntry[],
  now: number,
): ServiceList {
  const { opened, planned } = groundOfBatch(opening);
  const { timeZone } = opened.inputs.kitchen.service;
  const state = batchState(opening, entries, now);
  const rows = (pairs: [string, string][]): string[][] => pairs.map(([what, text]) => ['', what, text]);
  const grams = (value: number | null): string => (value === null ? 'not weighed' : gramsText(value));
  const result = rows([
    [
      'Planned',
      `${gramsText(planned.finishedGrams)}, ${figureText(planned.portions, 1)} portions of ${gramsText(planned.portionGrams)}`,
    ],
    ['Finished weight', grams(state.finishedGrams)],
    ['Portions', state.portions === null ? 'not counted' : figureText(state.portions, 1)],
    ['Left over', grams(state.leftOverGrams)],
    [
      'Thrown away',
      state.thrownAway.length === 0
        ? 'nothing written'
        : state.thrownAway.map(({ grams: each, reason }) => `${gramsText(each)}: ${reason}`).join('; '),
    ],
    ['Use by', opened.useBy ?? 'no date'],
  ]);
  const weights = state.puts.map(({ lineId, load, wantedGrams, grams: put, standing: how, lostGrams }) => {
    const line = planned.lines.find(({ id }) => id === lineId)!;
    return [
      load > 1 || state.puts.some((each) => each.lineId === lineId && each.load > 1) ? `load ${load}` : '',
      `${line.name}: ${how === 'not in' ? 'not written down' : how === 'left out' ? 'left out' : gramsText(put)}${lostGrams > 0 ? `, ${gramsText(lostGrams)} lost` : ''}`,
      wantedGrams === null
        ? 'no weight planned'
        : `planned ${gramsText(wantedGrams)}${how === 'right' || how === 'not in' ? '' : `, ${how}`}`,
    ];
  });
  const differs = differences(opening, standing(entries)).map(({ what, planned: then, cooked }) => [
    '',
    `${what}: ${cooked}`,
    `planned: ${then}`,
  ]);
  const readings = state.readings.map((each): string[] => {
    const [time, point, read, limit, how, who] = readingRow(each, timeZone);
    return [time!, `${point}: ${read}, ${limit}: ${how}`, who!];
  });
  const coolings = state.coolings.map(({ where, watch }) => [
    '',
    `Cooling${where === '' ? '' : `, ${where}`}: ${watch.words}`,
    '',
  ]);
  return {
    title: `Production record ${opened.code}: ${opened.name}`,
    notes: [
      CAUTION,
      ...(opened.claim.length > 0 ? [`To be free from: ${opened.claim.join(', ')}.`] : []),
      ...(opened.groups.length > 0 ? [`For: ${opened.groups.join(', ')}.`] : []),
      ...state.check,
      ...state.missing,
      ...state.clocks,
    ],
    columns: COLUMNS.entries,
    sections: filled([
      { heading: 'What came out', rows: result },
      { heading: 'What went in', rows: weights },
      { heading: 'Differs from the recipe', rows: differs },
      { heading: 'Critical points', rows: [...readings, ...coolings] },
      { heading: 'Everything that was written', rows: entryRows(entries, opening, timeZone) },
    ]),
  };
}

/** A day of a kitchen: every reading of its batches and rounds, with what was done about those that were out. */
export function dayLog(
  kitchen: Kitchen,
  date: string,
  batches: readonly { opened: OpenedBatch; entries: readonly KeptEntry[] }[],
  dayEntries: readonly KeptEntry[],
  now: number,
): ServiceList {
  const { timeZone } = kitchen.service;
  const section = (heading: string, record: readonly Standing[], of: Kitchen): ListSection => ({
    heading,
    rows: judgedReadings(record, of).map((each) => readingRow(each, timeZone)),
  });
  const own = section('The day: rounds, deliveries, probe', standing(dayEntries), kitchen);
  const sections = batches.map(({ opened, entries }): ListSection => {
    const { heading, rows } = section(
      `${opened.code} ${opened.name}`,
      standing(entries),
      opened.inputs.kitchen,
    );
    const state = batchState(opened, entries, now);
    const line = (what: string, how: string): string[] => ['', what, '', '', how, ''];
    return {
      heading,
      rows: [
        ...rows,
        ...state.coolings.map(({ where, watch }) =>
          line(`Cooling${where === '' ? '' : `, ${where}`}`, watch.words),
        ),
        ...state.missing.filter((each) => /measured/.test(each)).map((each) => line('Missing', each)),
      ],
    };
  });
  const round = new Set(
    standing(dayEntries).flatMap(({ body }) =>
      body.kind === 'reading' && body.point === 'cold-hold' ? [body.where] : [],
    ),
  );
  const unread = kitchen.safety.coldPlaces.filter((place) => !round.has(place));
  return {
    title: `Food safety log, ${date}`,
    notes: [
      CAUTION,
      '* typed, not from the probe.',
      ...unread.map((place) => `${place} was not read on this day.`),
      ...(batches.length === 0 ? ['No batch was opened on this day.'] : []),
    ],
    columns: COLUMNS.readings,
    sections: filled([own, ...sections]),
  };
}

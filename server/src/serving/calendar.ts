/** A plan as a calendar file and as a table. */
import { createEvents, type DateArray } from 'ics';
import Papa from 'papaparse';
import { momentText, safeCell, type Service, type ServiceList, type ServicePlan } from '@hand-ladle/core';

/** [2026, 12, 1, 11, 45] of "2026-12-01T11:45". */
function partsOf(moment: string): DateArray {
  const [year, month, day, hour, minute] = moment.split(/[-T:]/).map(Number) as [
    number,
    number,
    number,
    number,
    number,
  ];
  return [year, month, day, hour, minute];
}

/**
 * The tasks of a plan as events, in the kitchen's own time, which is the time of the wall clock wherever the file is opened.
 * @throws Error with what the calendar's writer refuses
 */
export function calendarOf(plan: ServicePlan, { id, date, meal }: Service, kitchen: string): string {
  const { error, value } = createEvents(
    plan.tasks.map((task) => ({
      uid: `${id}-${task.id.replace(/\s+/g, '-')}@hand-ladle`,
      title: task.name,
      start: partsOf(momentText(date, task.start)),
      end: partsOf(momentText(date, task.end)),
      startInputType: 'local' as const,
      startOutputType: 'local' as const,
      endInputType: 'local' as const,
      endOutputType: 'local' as const,
      location: task.machine ?? kitchen,
      description: `${meal}. ${task.because}${task.person === null ? '' : `. Person ${task.person}`}`,
    })),
    { productId: 'hand-ladle/service' },
  );
  if (error || !value) throw error ?? new Error('the calendar is empty');
  return value;
}

/** The tasks of a plan, one a row. */
export function tasksCsv(plan: ServicePlan, { date }: Service): string {
  const rows = plan.tasks.map((task) => [
    momentText(date, task.start),
    momentText(date, task.end),
    safeCell(task.name),
    task.kind,
    safeCell(task.resource ?? ''),
    task.person === null ? '' : String(task.person),
    String(task.minutes),
    task.isConvention ? 'convention' : 'recipe',
  ]);
  const heads = ['starts_at', 'ends_at', 'task', 'kind', 'where', 'person', 'minutes', 'minutes_from'];
  return `${Papa.unparse([heads, ...rows], { newline: '\n' })}\n`;
}

/** A list, one row a row, its section before it. */
export function listCsv({ columns, sections }: ServiceList): string {
  const rows = sections.flatMap(({ heading, rows: own }) =>
    own.map((cells) => [heading, ...cells].map(safeCell)),
  );
  return `${Papa.unparse([['section', ...columns.map(({ name }) => name.toLowerCase().replaceAll(' ', '_'))], ...rows], { newline: '\n' })}\n`;
}

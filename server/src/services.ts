/** What the server does beside keeping the book: people, the audit trail, labels on their way, the printer and the scale. */
import { dayIn, type Kitchen } from '@hand-ladle/core';
import { AuditTrail } from './accounts/audit';
import { People } from './accounts/people';
import { CookStore } from './cooking/store';
import { Recorder } from './cooking/write';
import { SimulatedProbe } from './devices/probe';
import { SimulatedScale } from './devices/scale';
import { SimulatedPrinter } from './devices/simulated-printer';
import { Batches } from './labels/batches';
import { Printing } from './labels/printing';
import { Releases } from './labels/releases';
import { Spool } from './labels/spool';
import { StockStore } from './stock/store';
import type { Store } from './store';
import { WordStore } from './words/store';

export interface Services {
  people: People;
  audit: AuditTrail;
  words: WordStore;
  releases: Releases;
  batches: Batches;
  printer: SimulatedPrinter;
  scale: SimulatedScale;
  probe: SimulatedProbe;
  stock: StockStore;
  cooking: CookStore;
  recorder: Recorder;
  spool: Spool;
  printing: Printing;
  /** The day it is in a kitchen. */
  today: (kitchen: Kitchen) => string;
  now: () => Date;
}

/** The services of a store. A real printer or scale takes the place of the simulated one here. */
export function createServices(
  store: Store,
  log: (message: string) => void,
  now: () => Date = () => new Date(),
): Services {
  const people = new People(store.tables, now);
  const audit = new AuditTrail(store.database, store.tables, now);
  const stock = new StockStore(store.database, store.tables);
  const cooking = new CookStore(store, stock, now);
  const releases = new Releases(store, people, audit, now, cooking);
  const batches = new Batches(store, releases, now);
  const printer = new SimulatedPrinter(store.tables, now);
  const spool = new Spool({ store, releases, audit, printer, now, log });
  const today = ({ service }: Kitchen): string => dayIn(service.timeZone, now().getTime());
  return {
    people,
    audit,
    words: new WordStore({
      database: store.database,
      tables: store.tables,
      kitchens: store.kitchens,
      people,
      audit,
      now,
    }),
    releases,
    batches,
    printer,
    scale: new SimulatedScale(),
    probe: new SimulatedProbe(now),
    stock,
    cooking,
    recorder: new Recorder(cooking, store, stock, people, now),
    spool,
    printing: new Printing({ store, releases, batches, spool, audit, cooked: cooking, today }),
    today,
    now,
  };
}

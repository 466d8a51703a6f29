/** How much a part of the bench does: all of it, or with `npm run bench -- --short` a small share that only shows that it runs. */
const isShort = process.env['HAND_LADLE_SHORT'] === '1';
/** Bounds of speed hold for the whole bench alone: a short form says nothing of it, and a busy machine even less. */
export const holdsSpeed = !isShort;

/** A count of the whole bench, or its short form. */
export const sized = (whole: number, short: number): number => (isShort ? short : whole);

/** How much a part of the bench does: all of it, or with `npm run bench -- --short` a small share that only shows that it runs. */
const isShort = process.env['HAND_LADLE_SHORT'] === '1';

/** A count of the whole bench, or its short form. */
export const sized = (whole: number, short: number): number => (isShort ? short : whole);

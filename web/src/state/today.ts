/** The day it is in the kitchen, wherever the browser stands. */
import { dayIn, type Kitchen, PLAIN_SERVICE } from '@hand-ladle/core';

export const todayIn = (kitchen: Pick<Kitchen, 'service'> | null | undefined): string =>
  dayIn((kitchen ?? { service: PLAIN_SERVICE }).service.timeZone, Date.now());

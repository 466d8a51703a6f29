/**
 * Debian's Chromium without its own windows (the whole browser draws a toolbar for every page it opens, which took a quarter of
 * the time of the journeys measured), quiet: as root it needs no sandbox, and without these flags it calls home at every start.
 */
import { chromium } from '@playwright/test';

export const CHROMIUM = {
  executablePath: '/usr/bin/chromium-headless-shell',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--disable-default-apps',
    '--disable-domain-reliability',
    '--disable-features=OptimizationHints,MediaRouter,Translate',
  ],
};

export const launch = () => chromium.launch(CHROMIUM);

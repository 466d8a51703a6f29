/** Every random test draws from one seed, which `npm test` prints: what was red once is red again. */
import fc from 'fast-check';
import { testSeed } from './seed.mjs';

fc.configureGlobal({ ...fc.readConfigureGlobal(), seed: testSeed() });

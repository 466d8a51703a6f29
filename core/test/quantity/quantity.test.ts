import fc from 'fast-check';
import { fixedText, formatGrams, scaleText } from '@hand-ladle/core';
import { roundToStep } from '../../src/quantity/format';
import { readFigure, spellFractions } from '../../src/quantity/number';
import { celsiusFromFahrenheit, fahrenheitFromCelsius, massOf, volumeOf } from '../../src/quantity/units';

const figure = (text: string) => readFigure(spellFractions(text).trim().split(/\s+/), 0);

describe('figures as people write them', () => {
  test.each([
    ['2', 2],
    ['1 1/2', 1.5],
    ['1½', 1.5],
    ['¾', 0.75],
    ['1,5', 1.5],
    ['1,500', 1500],
    ['half a', 0.5],
    ['a dozen', 12],
    ['half a dozen', 6],
    ['a couple of', 2],
    ['three quarters', 0.75],
    ['two and a half', 2.5],
    ['1 and a half', 1.5],
    ['an', 1],
  ])('%s is %d', (text, value) => {
    expect(figure(text)?.value).toBeCloseTo(value, 10);
  });

  test.each([
    ['1 or 2', 1, 2],
    ['2 - 3', 2, 3],
    ['1 to 1 1/2', 1, 1.5],
  ])('%s is a range', (text, low, high) => {
    expect(figure(text)).toMatchObject({ low, high, value: (low + high) / 2 });
  });

  test('a word, a fraction over zero and nothing at all are no figures', () => {
    for (const text of ['dill', '1/0', '', '/', 'or 2']) expect(figure(text)).toBeNull();
  });
});

describe('units', () => {
  test('a cup differs by kitchen, and label laws do not change it', () => {
    expect(volumeOf(1, 'cup', 'us')).toBe(236.588);
    expect(volumeOf(1, 'cup', 'metric')).toBe(250);
    expect(volumeOf(1, 'pint', 'imperial')).toBe(568.26);
    expect(massOf(1, 'lb')).toBe(453.592);
  });

  test('degrees there and back', () => {
    expect(fahrenheitFromCelsius(200)).toBe(392);
    fc.assert(
      fc.property(fc.integer({ min: -40, max: 400 }), (celsius) => {
        expect(celsiusFromFahrenheit(fahrenheitFromCelsius(celsius))).toBeCloseTo(celsius, 9);
      }),
    );
  });
});

describe('figures as a scale and a screen show them', () => {
  test('a scale shows the digits of its step', () => {
    expect(scaleText(7205, 5)).toEqual({ figure: '7.205', unit: 'kg' });
    expect(scaleText(7200, 10)).toEqual({ figure: '7.20', unit: 'kg' });
    expect(scaleText(58, 1)).toEqual({ figure: '58', unit: 'g' });
    expect(scaleText(3.1, 0.1)).toEqual({ figure: '3.1', unit: 'g' });
  });

  test('a screen shows three digits of kilograms', () => {
    expect(formatGrams(33_600)).toEqual({ figure: '33.6', unit: 'kg' });
    expect(formatGrams(999.6)).toEqual({ figure: '1.00', unit: 'kg' });
    expect(formatGrams(4.04)).toEqual({ figure: '4.0', unit: 'g' });
    expect(fixedText(4, 1)).toBe('4.0');
  });

  test('rounding to a step is never off by more than half of it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e5, noNaN: true }),
        fc.constantFrom(0.1, 0.5, 1, 5, 10),
        (grams, step) => {
          expect(Math.abs(roundToStep(grams, step) - grams)).toBeLessThanOrEqual(step / 2 + 1e-6);
        },
      ),
    );
  });
});

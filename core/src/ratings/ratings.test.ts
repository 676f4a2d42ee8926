import fc from 'fast-check';
import { CLASS_IDS, checksOf, classOf, folderOf, JUDGEMENT, saySource, type Rated } from '../catalogue';
import { verdictOf } from '../proof';
import { exceptionOf } from '../verdict';
import { classFor, measuredFor, planFor, ratedOf } from './index';

test('one look-up: the unit’s own figure, else its model’s, else its class’s', () => {
  expect(ratedOf({ hertz: 60, volts: 120 }, { hertz: 50, volts: undefined }, { volts: 230 })).toEqual({
    hertz: 50,
    volts: 230,
  });
  expect(ratedOf({ hertz: 60 })).toEqual({ hertz: 60 });
});

describe.each(CLASS_IDS.map((id) => [id] as const))('ratings of a %s', (id) => {
  const { proof, rated: ofClass, machineClass } = folderOf(id);
  const within = (from: number, to: number) => fc.double({ min: from, max: to, noNaN: true });
  /** Whatever a maker may put on a plate: a third to three times what is usual. */
  const plate: fc.Arbitrary<Rated> = fc.record({
    ...Object.fromEntries(
      Object.entries(ofClass)
        .filter(([key]) => key !== 'governor')
        .map(([key, figure]) => [key, within(Number(figure) / 3, Number(figure) * 3)]),
    ),
    governor: fc.constantFrom('mechanical' as const, 'inverter' as const),
  });
  const measuredOf = (rated: Rated) =>
    checksOf(machineClass).flatMap((check) => {
      const own = measuredFor(check, ofClass, rated);
      return own.measured === undefined ? [] : [{ check: own, measured: own.measured }];
    });

  test('at its rated figures a unit passes its proof and its check-in, whatever the plate says', () =>
    fc.assert(
      fc.property(plate, (ofModel) => {
        const rated = ratedOf(ofClass, ofModel);
        for (const reading of planFor(proof, ofClass, rated).readings) {
          const figure = reading.rating === undefined ? (reading.most ?? 0) : Number(rated[reading.rating]);
          expect([reading.id, verdictOf(reading, figure)]).toEqual([reading.id, 'well']);
        }
        for (const { check, measured } of measuredOf(rated)) {
          const value = measured.rating === undefined ? null : rated[measured.rating];
          if (value == null) continue;
          const answer = { check: check.id, result: 'ok', reading: { value, unit: measured.unit } } as const;
          expect([check.id, exceptionOf(check, answer)]).toEqual([check.id, undefined]);
        }
      }),
    ));

  test('whatever passes the proof at no load passes the check-in', () =>
    fc.assert(
      fc.property(plate, within(0, 1), (ofModel, share) => {
        const rated = ratedOf(ofClass, ofModel);
        const readings = planFor(proof, ofClass, rated).readings.filter((reading) => reading.atLoad === 0);
        for (const { check, measured } of measuredOf(rated)) {
          const same = readings.find((reading) => reading.rating === measured.rating && reading.rating !== undefined);
          if (same?.least === undefined || same.most === undefined) continue;
          const value = same.least + share * (same.most - same.least);
          const answer = { check: check.id, result: 'ok', reading: { value, unit: measured.unit } } as const;
          expect([check.id, value, exceptionOf(check, answer)]).toEqual([check.id, value, undefined]);
        }
      }),
    ));

  test('a scale is as wide as its limits', () => {
    for (const { least, most, scale, id: reading } of proof.readings) {
      expect([reading, scale[0] <= (least ?? scale[0]), scale[1] >= (most ?? scale[1])]).toEqual([reading, true, true]);
    }
  });
});

test('a splitter’s pressure by its force and the bore of its ram; its own figure beats that', () => {
  expect(ratedOf({ pressure: 190 }, { force: 200, bore: 110 }).pressure).toBeCloseTo(210.45, 2);
  expect(ratedOf({ pressure: 190 }, { force: 200, bore: 110, pressure: 180 }).pressure).toBe(180);
  expect(ratedOf({ pressure: 190 }, { force: 200 }).pressure).toBe(190);
});

test('an inverter holds its hertz at every load; a governor may droop', () => {
  const { proof, rated } = folderOf('generator');
  const hertz = (governor: 'inverter' | 'mechanical', id: string) =>
    planFor(proof, rated, ratedOf(rated, { hertz: 50, governor })).readings.find((reading) => reading.id === id);
  expect(hertz('inverter', 'hertz-100')).toMatchObject({ least: 49.5, most: 50.5 });
  expect(hertz('mechanical', 'hertz-100')?.least).toBeCloseTo(47.5, 9);
  expect(classOf('generator').id).toBe('generator');
});

test('volts of a set of 230: five per cent either way (ISO 8528-5, G1; from memory)', () => {
  const { proof, rated } = folderOf('generator');
  const volts = planFor(proof, rated, ratedOf(rated, { volts: 230 })).readings.find(
    (reading) => reading.id === 'volts-0',
  );
  expect([volts?.least, volts?.most].map((limit) => Math.round((limit ?? 0) * 10) / 10)).toEqual([218.5, 241.5]);
});

test('a limit that goes by another figure than its class’s names where that figure stands', () => {
  const { machineClass, proof, rated } = folderOf('generator');
  const volts = (own: Rated) =>
    checksOf(classFor(machineClass, rated, ratedOf(rated, {}, own))).find((check) => check.id === 'volts')?.measured
      ?.limit.source;
  const reading = (own: Rated) =>
    planFor(proof, rated, ratedOf(rated, {}, own)).readings.find(({ id }) => id === 'volts-0')?.source;
  expect([saySource(volts({}) ?? JUDGEMENT), saySource(volts({ volts: 230 }) ?? JUDGEMENT)]).toEqual([
    expect.stringContaining('ANSI C84.1'),
    'The unit’s own plate or its model’s data sheet',
  ]);
  expect([reading({})?.kind, reading({ volts: 230 })?.kind]).toEqual(['published', 'own']);
});

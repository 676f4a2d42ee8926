import { COLDEST_STARTS, coldestWithin, fluidFor, type FluidSheet } from './fluidFor';

const sheet: FluidSheet = {
  oils: [
    { where: 'Engine', grade: '5W-30', fromC: -30, toC: 5 },
    { where: 'Engine', grade: 'SAE 30', fromC: 5, toC: null },
    { where: 'Pump', grade: 'Pump oil', fromC: null, toC: null },
  ],
  capacities: [
    { what: 'Engine oil', value: 1.1, unit: 'L' },
    { what: 'Fuel tank', value: 6.6, unit: 'US gal' },
  ],
};
const months = COLDEST_STARTS.value.map((cold) => (cold > 2 ? cold + 3 : cold));
const on = (day: string, days: number, putIn: string | null = null) =>
  fluidFor('engine', sheet, months, {
    at: new Date(`${day}T12:00:00Z`),
    days,
    putInAt: putIn === null ? null : new Date(`${putIn}T12:00:00Z`),
  });

test('the grade is for the coldest start until it is changed again, and how much goes in stands beside it', () => {
  expect(on('2030-07-02', 40)).toEqual({
    grade: 'SAE 30',
    amount: { value: 1.1, unit: 'L' },
    coldestC: 8,
    seasonChanged: false,
  });
  expect(on('2030-07-02', 120)?.grade).toBe('5W-30');
  expect(on('2030-01-02', 10)).toMatchObject({ grade: '5W-30', coldestC: -22 });
});

test('a change of season asks for another grade than what was put in', () => {
  expect(on('2030-10-10', 40, '2030-07-02')).toMatchObject({ grade: '5W-30', seasonChanged: true });
  expect(on('2030-08-10', 40, '2030-07-02')?.seasonChanged).toBe(false);
  expect(on('2030-11-10', 40, '2030-10-02')?.seasonChanged).toBe(false);
});

test('colder than any grade: none; of a place that the sheet does not speak of nothing', () => {
  const cold = months.map(() => -40);
  const day = { at: new Date('2030-01-01T00:00:00Z'), days: 10, putInAt: null };
  expect(fluidFor('engine', sheet, cold, day)).toMatchObject({ grade: null, coldestC: -40 });
  expect(fluidFor('pump', sheet, cold, day)).toEqual({
    ...{ grade: 'Pump oil', amount: null, coldestC: -40, seasonChanged: false },
  });
  expect(fluidFor('hydraulic', sheet, cold, day)).toBeNull();
});

test('at the very degree at which the grades change the warm one begins', () => {
  const day = { at: new Date('2030-07-01T00:00:00Z'), days: 0, putInAt: null };
  const gradeAt = (cold: number) =>
    fluidFor(
      'engine',
      sheet,
      months.map(() => cold),
      day,
    )?.grade;
  expect([gradeAt(4.9), gradeAt(5)]).toEqual(['5W-30', 'SAE 30']);
});

test('the coldest within days goes round the year', () => {
  const byMonth = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12];
  const from = (day: string, days: number) => coldestWithin(byMonth, new Date(`${day}T00:00:00Z`), days);
  expect([from('2030-12-20', 5), from('2030-12-20', 20), from('2030-03-01', 0)]).toEqual([12, 1, 3]);
  expect(from('2030-06-01', 4000)).toBe(1);
});

import { byNeed, coverHires, fallsDue, mayGoOut, neededAt, readinessOf, type ReadinessFacts } from './index';

const facts = (more: Partial<ReadinessFacts> = {}): ReadinessFacts => ({
  gone: false,
  laidUp: false,
  hire: null,
  defects: [],
  onBench: [],
  ...more,
});
const hold = { sentence: 'The gun does not shut off.', weight: 'hold' } as const;
const prep = { sentence: 'It is dirty.', weight: 'prep' } as const;

describe('readiness from facts', () => {
  test.each([
    ['nothing open', facts(), 'fit'],
    ['on the bench', facts({ onBench: ['Pump seals'] }), 'held'],
    ['prep on the bench', facts({ onBench: ['Wash'], defects: [prep] }), 'held'],
    [
      'on hire, with what is on the bench',
      facts({ onBench: ['Wash'], hire: { backAt: null, dueAt: '2030-01-01' } }),
      'out',
    ],
    ['prep', facts({ defects: [prep] }), 'prep'],
    ['the worst defect decides', facts({ defects: [prep, hold] }), 'held'],
    ['on hire, whatever is open', facts({ defects: [hold], hire: { backAt: null, dueAt: '2030-01-01' } }), 'out'],
    ['back and not looked at', facts({ hire: { backAt: '2030-01-01', dueAt: '2030-01-01' } }), 'held'],
    ['laid up', facts({ laidUp: true, defects: [hold] }), 'laid-up'],
    ['gone', facts({ gone: true, laidUp: true }), 'gone'],
  ] as const)('%s', (_name, given, readiness) => {
    expect(readinessOf(given).readiness).toBe(readiness);
  });

  test('every open defect is a reason, what holds first, then the bench, then prep', () => {
    expect(readinessOf(facts({ defects: [prep, hold], onBench: ['Pump seals'] })).because).toEqual([
      hold.sentence,
      'On the bench: Pump seals.',
      prep.sentence,
    ]);
    expect(readinessOf(facts({ defects: [prep] })).because).toEqual([prep.sentence]);
  });
});

describe('what falls due on the hire (common practice)', () => {
  // Ten hours a day, sure of it: 40 hours in eight half-days.
  const use = { shape: 10_000, rate: 1000 };
  const due = (hoursToOilService: number, days: number) => fallsDue({ hoursToOilService, use, days });

  test('the hours to be expected fit in, to the last; one more does not, and it says by how much', () => {
    expect(due(20, 2)).toEqual([]);
    expect(due(19.9, 2)).toEqual([
      'The oil service would run out during this hire: 19.9 h are left, about 20 h are to be expected.',
    ]);
  });
  test('what is overdue is overdue however short the hire; nothing runs on no days', () => {
    expect(due(-0.04, 0)).toEqual(['The oil service is 0 h overdue.']);
    expect(due(-3.26, 1)).toEqual(['The oil service is 3.3 h overdue.']);
    expect(due(0, 0)).toEqual([]);
  });
});

describe('may it go out', () => {
  test('a fit unit whose service would run out on the hire waits for a lead; its prep and what is due are both said', () => {
    const due = ['The oil service would run out.'];
    const fit = readinessOf(facts());
    expect(mayGoOut(fit, { ...lead, isLead: false }, due)).toMatchObject({ code: 'prep-not-done', because: due });
    expect(mayGoOut(fit, lead, due)).toEqual({ may: true, waives: true });
    expect(mayGoOut(readinessOf(facts({ defects: [prep] })), { ...lead, waiverReason: '' }, due)).toMatchObject({
      because: [prep.sentence, ...due],
    });
    expect(mayGoOut(readinessOf(facts({ defects: [hold] })), lead, due)).toMatchObject({
      code: 'not-ready',
      because: [hold.sentence],
    });
  });

  const lead = { isLead: true, waiverReason: 'Only going next door' };
  test('fit yes; held no, not even for a lead', () => {
    expect(mayGoOut(readinessOf(facts()), { isLead: false, waiverReason: '' }, [])).toEqual({
      may: true,
      waives: false,
    });
    expect(mayGoOut(readinessOf(facts({ defects: [hold] })), lead, [])).toMatchObject({
      may: false,
      code: 'not-ready',
      because: [hold.sentence],
    });
  });

  test('prep goes when a lead waives it with a reason', () => {
    const inPrep = readinessOf(facts({ defects: [prep] }));
    expect(mayGoOut(inPrep, lead, [])).toEqual({ may: true, waives: true });
    expect(mayGoOut(inPrep, { isLead: true, waiverReason: '  ' }, [])).toMatchObject({
      may: false,
      code: 'prep-not-done',
    });
    expect(mayGoOut(inPrep, { ...lead, isLead: false }, [])).toMatchObject({ may: false, code: 'prep-not-done' });
  });
});

describe('what goes out and is not covered', () => {
  const unit = (tag: string, fit: boolean) => ({ tag, classId: 'generator', fit });
  const hire = (reference: string, tag: string | null, fromAt: string) => ({
    reference,
    classId: 'generator',
    tag,
    fromAt,
  });

  test('two hires of a class and one fit unit: the later is short', () => {
    expect(coverHires([hire('b', null, '2030-02'), hire('a', null, '2030-01')], [unit('GE-01', true)])).toEqual([
      { code: 'class-short', hire: hire('b', null, '2030-02') },
    ]);
  });

  test('a promised unit that is not fit is named with a fit one that is free', () => {
    expect(coverHires([hire('a', 'GE-01', '2030-01')], [unit('GE-01', false), unit('GE-02', true)])).toEqual([
      { code: 'unit-not-fit', hire: hire('a', 'GE-01', '2030-01'), nearestFit: 'GE-02' },
    ]);
  });

  test('a promised fit unit is not given away to a hire of the class', () => {
    expect(
      coverHires([hire('a', null, '2030-01'), hire('b', 'GE-01', '2030-02')], [unit('GE-01', true)]).map(
        (entry) => entry.hire.reference,
      ),
    ).toEqual(['a']);
  });
});

describe('when what is back is needed again', () => {
  const booked = (reference: string, tag: string | null, fromAt: string, classId = 'tiller') => ({
    reference,
    tag,
    fromAt,
    classId,
  });
  const unit = { tag: 'TI-01', classId: 'tiller' };
  test.each([
    ['nobody waits', [booked('A', 'TI-02', '2030-03-01'), booked('B', null, '2030-03-01', 'welder')], null],
    ['its own', [booked('A', 'TI-01', '2030-03-09'), booked('B', 'TI-01', '2030-03-05')], '2030-03-05'],
    ['any of its class, sooner', [booked('A', 'TI-01', '2030-03-09'), booked('B', null, '2030-03-04')], '2030-03-04'],
  ])('%s', (_what, hires, needed) => expect(neededAt(unit, hires)).toBe(needed));

  test('what is needed first is first; what nobody waits for is last', () =>
    expect([null, '2030-03-09', null, '2030-03-04'].sort(byNeed)).toEqual(['2030-03-04', '2030-03-09', null, null]));
});

import { askSchools, lookInto, type Question } from './lookInto';

const question = (more: Partial<Question> = {}): Question => ({
  machine: { classId: 'snowblower', engine: {}, past: {} },
  chapters: [{ seen: { choke: 'needs-choke', idle: 'hunts' } }],
  passedOver: [],
  setUpsDone: [],
  toolsAtHand: null,
  learned: null,
  pick: null,
  order: null,
  ...more,
});

test('the best step is shown with its table, rows adding up to one', () => {
  const answer = lookInto(question());
  expect(answer.step).toEqual(answer.diagnosis.next[0]);
  expect(answer.shown?.check).toBe(answer.step?.id);
  expect(answer.shown?.rows.reduce((sum, row) => sum + row.probability, 0)).toBeCloseTo(1, 6);
  for (const row of answer.shown?.rows ?? []) expect(row.points.length).toBeGreaterThan(0);
});

test('what is passed over is not advised again', () => {
  const first = lookInto(question()).step?.id as string;
  expect(lookInto(question({ passedOver: [first] })).diagnosis.next.map((step) => step.id)).not.toContain(first);
});

test('a school’s order is kept; a picked step is shown, even one that is not advised', () => {
  expect(lookInto(question({ order: ['kill-switch', 'oil-level', 'fuel-look'] })).step?.id).toBe('kill-switch');
  expect(lookInto(question({ pick: { kind: 'check', id: 'valve-lash' } })).shown?.check).toBe('valve-lash');
  expect(lookInto(question({ pick: { kind: 'repair', id: 'pilot-jet-blocked' } })).shown).toBeNull();
});

test('what lies ahead is the same for the same question: ours with its span, and each school', () => {
  const ahead = askSchools(question());
  expect(askSchools(question())).toEqual(ahead);
  expect(Object.values(ahead.schools).every((minutes) => minutes > 0)).toBe(true);
  const { low, about, high } = ahead.ours;
  expect([low > 0, low <= about, about <= high]).toEqual([true, true, true]);
});

import {
  changeStep,
  EMPTY_CARD,
  listSteps,
  OPEN_JOB_STATES,
  standingOf,
  startWork,
  stepsFor,
  stopWork,
  workedMinutes,
} from './index';

test('its worked example: two causes behind the bowl take it off once, readings stand before and after', () => {
  const cause = (id: string) => ({
    id,
    repairTitle: `Mend ${id}`,
    caution: undefined,
    setUps: [{ id: 'bowl-off', words: 'Bowl off', teardown: 'carburettor-off' as const }],
    reading: 'compression' as const,
    clock: 'drip-test' as const,
  });
  const steps = stepsFor({
    kind: [{ key: 'safe', title: 'Make it safe' }],
    work: null,
    causes: [cause('x'), cause('y')],
  });
  expect(steps.map((step) => step.key)).toEqual([
    'safe',
    'off-bowl-off',
    'before-compression',
    'repair-x',
    'clock-drip-test',
    'repair-y',
    'after-compression',
  ]);
});

test('a cause with nothing to take off, to measure or to wait for is its repair alone, with its caution', () => {
  const bare = { id: 'z', repairTitle: 'Mend z', setUps: [], reading: undefined, clock: undefined };
  expect(
    stepsFor({
      kind: [{ key: 'safe', title: 'Make it safe' }],
      work: [{ key: 'own', title: 'Its own' }],
      causes: [
        { ...bare, caution: 'fuel-vapour' },
        { ...bare, id: 'y' },
      ],
    }),
  ).toEqual([
    { key: 'own', title: 'Its own' },
    { key: 'repair-z', title: 'Mend z', caution: 'fuel-vapour' },
    { key: 'repair-y', title: 'Mend z' },
  ]);
  const off = stepsFor({
    kind: [],
    work: null,
    causes: [{ ...bare, setUps: [{ id: 'plug-out', words: 'Plug out', teardown: undefined }], reading: 'compression' }],
  });
  expect(off[0]).toEqual({ key: 'off-plug-out', title: 'Plug out' });
  expect(off[1]).toEqual({ key: 'before-compression', title: 'Reading before', reading: 'compression' });
  expect(off.at(-1)).toEqual({ key: 'after-compression', title: 'Reading after', reading: 'compression' });
});

describe('hands on a card', () => {
  const at = (seconds: number) => new Date(Date.UTC(2030, 2, 4, 9, 0, seconds)).toISOString();

  test('an empty card has nothing on it', () => {
    const { ledger, edition, decision, workedMs, handedOn, signatureAsked, ...lists } = EMPTY_CARD;
    expect([edition, decision, handedOn, signatureAsked, workedMs, ledger.things]).toEqual([
      null,
      null,
      null,
      null,
      {},
      [],
    ]);
    for (const list of Object.values(lists)) expect(list).toEqual([]);
  });

  test('two work at once, each with their own minutes; who starts twice goes on from the first', () => {
    let card = startWork(EMPTY_CARD, 'Ivo', at(0));
    card = startWork(startWork(card, 'Maren', at(30)), 'Ivo', at(100));
    expect(card.working).toEqual([
      { by: 'Ivo', since: at(0) },
      { by: 'Maren', since: at(30) },
    ]);
    card = stopWork(card, 'Ivo', at(119));
    expect([card.working.map((entry) => entry.by), card.workedMs, workedMinutes(card)]).toEqual([
      ['Maren'],
      { Ivo: 119_000 },
      { Ivo: 1 },
    ]);
    card = stopWork(startWork(card, 'Ivo', at(200)), 'Ivo', at(201));
    expect(workedMinutes(card)).toEqual({ Ivo: 2 });
  });

  test('nobody stops what they have not begun; no stretch is less than nothing; no name is somebody', () => {
    const card = startWork(EMPTY_CARD, null, at(10));
    expect(stopWork(card, 'Ivo', at(20))).toBe(card);
    expect(Object.values(stopWork(card, null, at(5)).workedMs)).toEqual([0]);
    expect(Object.values(stopWork(card, null, at(15)).workedMs)).toEqual([5_000]);
  });

  test('steps are listed once, and changed by their id', () => {
    const step = (stepId: string, title: string) => ({ stepId, title, key: null });
    const card = listSteps(
      listSteps(EMPTY_CARD, [step('a', 'First')], '7'),
      [step('a', 'Other'), step('b', 'Second')],
      '8',
    );
    expect(
      card.steps.map(({ stepId, title, state, otherWords, jobId }) => [stepId, title, state, otherWords, jobId]),
    ).toEqual([
      ['a', 'First', 'to-do', [], '7'],
      ['b', 'Second', 'to-do', [], '8'],
    ]);
    const done = changeStep(card, 'b', (one) => ({ ...one, state: 'done' }));
    expect(done.steps.map((one) => one.state)).toEqual(['to-do', 'done']);
    expect(changeStep(card, 'c', (one) => ({ ...one, state: 'done' })).steps).toEqual(card.steps);
  });

  test('a job is open until it is done or dropped; what is begun stands where its visit does', () => {
    expect(OPEN_JOB_STATES).toEqual(['waiting', 'open', 'put-off']);
    expect([
      standingOf('open', 'waits-part'),
      standingOf('open', null),
      standingOf('waiting', 'to-prove'),
      standingOf('done', 'open'),
      standingOf('open', 'ended'),
    ]).toEqual(['waits-part', 'open', 'waiting', 'done', 'open']);
  });
});

import { sampleDefect } from '@hudrik/core/contracts/samples';
import { CLASS_IDS, PROOF_LOOKS, folderOf } from '@hudrik/core/catalogue';
import type { Facts } from '@hudrik/core/log';
import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { router } from 'expo-router';
import { entryOf, STEPS, taking } from '@/testing/cardReply';
import { ago, begun, inProof, RUN } from '@/testing/proofEntries';
import { goneText, IVO, press, show, type, type Sent } from '@/testing/screen';
import { ProofScreen } from './ProofScreen';

const kinds = (sent: readonly Sent[]): unknown[] => sent.map((one) => one.body['kind']);

/** All of a generator's proof, begun just now. */
const well = [
  STEPS,
  begun,
  entryOf('leak-look', { dry: true, note: '' }),
  entryOf('proof-load', { load: 'load-bank', figure: { value: 100, unit: '%' } }),
  RUN,
  entryOf('smoke', { clear: true }),
  ...folderOf('generator').proof.readings.map((reading) =>
    entryOf('proof-reading', {
      reading: reading.id as Facts<'proof-reading'>['reading'],
      value: ((reading.least ?? 0) + (reading.most ?? 0)) / 2,
      live: true,
    }),
  ),
  ...[...folderOf('generator').proof.looks, ...PROOF_LOOKS.everyRun].map((look) =>
    entryOf('proof-look', { look: look.id, ok: true }),
  ),
];

/** The same, begun so long ago. */
const ran = (minutes: number) => well.map((entry, at) => (at <= well.indexOf(RUN) ? ago(entry, minutes) : entry));

describe('the proof', () => {
  test('begins with leaks and its cautions; nothing runs before', async () => {
    const server = show(<ProofScreen jobId="7" />, taking([STEPS, begun], inProof));
    expect(await screen.findByText('First look for leaks, with the fuel on, before you start it.')).toBeTruthy();
    expect(screen.getByText(/^Exhaust kills indoors/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'It runs: start the time', disabled: true })).toBeTruthy();
    await press('Fuel on: dry');
    await waitFor(() => expect(kinds(server.sent)).toEqual(['leak-look']));
    expect(await screen.findByText('Not run yet: 20 minutes under load are needed.')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'It runs: start the time', disabled: false })).toBeTruthy();
  });

  test('a leak stops it', async () => {
    show(<ProofScreen jobId="7" />, taking([STEPS, begun], inProof));
    await press('It leaks');
    expect(await screen.findByText('It leaks. Do not start it.')).toBeTruthy();
  });

  test('what came off and belongs to nothing is asked about before it is signed', async () => {
    const off = entryOf('taken-off', {
      ...{ thingId: 't1', what: 'A bracket', key: null, tray: 'A', place: 1, fasteners: [] },
      ...{ orientation: '', linkHole: '', stack: [], quarterTurns: null },
    });
    const back = entryOf('put-back', { thingId: 't1' });
    const server = show(<ProofScreen jobId="7" />, taking([STEPS, off, back, begun], { ...inProof, needs: [] }));
    expect(await screen.findByText('What does it belong to?')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Passed', disabled: true })).toBeTruthy();
    await press('Guard or cover');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        kind: 'thing-changed',
        facts: { thingId: 't1', system: 'guard', what: 'A bracket', place: 1 },
      }),
    );
    await goneText('What does it belong to?');
  });

  test('what the instruments read by themselves was not mistyped: a lead strikes it out, and says why', async () => {
    const low = entryOf('proof-reading', { reading: 'volts-100', value: 101.5, unit: 'V', live: true });
    show(<ProofScreen jobId="7" />, taking([STEPS, begun, RUN, low], inProof));
    await press('Volts, full load: mistyped');
    expect(await screen.findByText(/^The instruments read that by themselves: it was not mistyped/)).toBeTruthy();
    expect(screen.queryByLabelText('Reading, V')).toBeNull();
    screen.unmount();
    const lead = { ...IVO, role: 'lead' } as const;
    const server = show(<ProofScreen jobId="7" />, taking([STEPS, begun, RUN, low], inProof), lead);
    await press('Volts, full load: mistyped');
    await type('Reading, V', '115');
    expect(screen.getByRole('button', { name: 'Save the reading', disabled: true })).toBeTruthy();
    await type(/^The instruments read it by themselves/, 'The clamp was open');
    await press('Save the reading');
    await waitFor(() =>
      expect(server.sent[0]?.body['facts']).toMatchObject({ insteadOf: low.id, value: 115, why: 'The clamp was open' }),
    );
  });

  test('what was told and is dangerous was not found: a second person says so by their PIN', async () => {
    const danger = sampleDefect({
      ...{ id: 'd1', origin: { kind: 'told', id: 'got-shock' }, sentence: 'Gave a shock.', second: 'danger' },
    });
    const done = [entryOf('step-done', { stepId: 's1' }), entryOf('step-done', { stepId: 's2' })];
    const job = { defects: [{ id: 'd1', sentence: 'Gave a shock.' }] };
    const people = [
      { id: IVO.id, name: IVO.name, role: 'technician' },
      { id: 9, name: 'Maren Askild', role: 'apprentice' },
      { id: 5, name: 'Pell Orsen', role: 'counter' },
    ];
    const server = show(<ProofScreen jobId="7" />, {
      ...taking([...ran(21), ...done], { ...inProof, job, defects: [danger] }),
      'GET /api/sign-in-options': { people },
      'POST /api/witnesses': { witnessId: 'w1', name: 'Maren Askild' },
    });
    await press('Passed');
    await press('Not found: Gave a shock.');
    expect(screen.getByRole('button', { name: 'Passed: sign', disabled: true })).toBeTruthy();
    await press('Maren Askild, apprentice');
    expect(screen.queryByRole('button', { name: /^Pell|^Ivo.*technician/ })).toBeNull();
    await type('PIN of Maren Askild', '12345');
    await press('Maren Askild: I have looked too');
    expect(await screen.findByText('✓ Maren Askild has looked too.')).toBeTruthy();
    await press('Passed: sign');
    await waitFor(() =>
      expect(server.sent.at(-1)?.body['facts']).toMatchObject({ passed: true, notFound: ['d1'], witnessId: 'w1' }),
    );
  });

  test('a complaint that took long to come wants a longer run', async () => {
    show(
      <ProofScreen jobId="7" />,
      taking([STEPS, begun], { ...inProof, complaint: { afterMinutes: 30, comesAndGoes: false } }),
    );
    expect(await screen.findByText('of 60 min, without a break')).toBeTruthy();
  });

  test('a reading is typed; one far off its scale is doubted; one outside is said to be so, and may have been mistyped', async () => {
    const server = show(<ProofScreen jobId="7" />, taking([STEPS, begun, RUN], inProof));
    await press('Volts, full load: type it');
    type('Reading, V', '1180');
    expect(screen.getByText(/^That is far off the scale of 90 to 140 V/)).toBeTruthy();
    type('Reading, V', 'a lot');
    expect(screen.getByText('Enter a number, with at most one point.')).toBeTruthy();
    type('Reading, V', '101,5');
    await press('Save the reading');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        kind: 'proof-reading',
        facts: { reading: 'volts-100', value: 101.5, unit: 'V', live: false },
      }),
    );
    expect(await screen.findByLabelText('101.5 V, Low')).toBeTruthy();
    await press('Volts, full load: mistyped');
    type('Reading, V', '115');
    await press('Save the reading');
    await waitFor(() => expect(server.sent[1]?.body['facts']).toMatchObject({ insteadOf: server.sent[0]?.body['id'] }));
    expect(await screen.findByLabelText('115 V, Well')).toBeTruthy();
  });

  test('with all of it well it passes, and says the class that its droop reaches', async () => {
    const done = [entryOf('step-done', { stepId: 's1' }), entryOf('step-done', { stepId: 's2' })];
    const server = show(<ProofScreen jobId="7" />, taking([...ran(21), ...done], inProof));
    expect(await screen.findByText('It has passed. Sign it.')).toBeTruthy();
    expect(screen.getByText(/^Droop 2\.9 %, volts within/)).toBeTruthy();
    await press('Passed');
    // One sheet: what was done, what was measured, and who.
    expect(screen.getByText(/^✓ Clear the jet/)).toBeTruthy();
    expect(screen.getByText('21 min under load.')).toBeTruthy();
    expect(screen.getByText('Volts, full load: 120 V')).toBeTruthy();
    expect(screen.getAllByText('Ivo Tarnwell')).toHaveLength(2);
    type(/^What was done/, 'New jet');
    await press('Passed: sign');
    await waitFor(() => expect(kinds(server.sent)).toEqual(['run-stopped', 'proved']));
    expect(server.sent[1]?.body['facts']).toEqual({ passed: true, note: 'New jet', looks: [] });
    expect(await screen.findByText('GE-07: proven.')).toBeTruthy();
  });

  test('signed without a connection it says that it waits, and is not signed twice', async () => {
    const done = [entryOf('step-done', { stepId: 's1' }), entryOf('step-done', { stepId: 's2' })];
    const server = show(<ProofScreen jobId="7" />, taking([...ran(21), ...done], inProof));
    await press('Passed');
    server.isAway = true;
    await press('Passed: sign');
    expect(await screen.findByText('Kept on this device.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Passed' })).toBeNull();
    expect(kinds(server.sent)).toEqual([]);
  });

  test('what it was on the bench for is ticked one by one before it is signed; so are the steps', async () => {
    const defects = [
      { id: 'd1', sentence: 'The socket is burnt.' },
      { id: 'd2', sentence: 'Main jet blocked.' },
    ];
    const server = show(<ProofScreen jobId="7" />, taking(ran(21), { ...inProof, job: { defects } }));
    await press('Passed');
    expect(screen.getByText('Not ticked: Make it safe; Clear the jet.')).toBeTruthy();
    await press('All 2 were done: tick them');
    await waitFor(() => expect(kinds(server.sent)).toEqual(['step-done', 'step-done']));
    const signing = (disabled: boolean) => screen.findByRole('button', { name: 'Passed: sign', disabled });
    expect(await signing(true)).toBeTruthy();
    for (const { sentence } of defects) fireEvent.press(screen.getByRole('checkbox', { name: sentence }));
    fireEvent.press(screen.getByRole('checkbox', { name: 'Main jet blocked.' }));
    expect(screen.getByText('One line is not ticked yet.')).toBeTruthy();
    fireEvent.press(screen.getByRole('checkbox', { name: 'Main jet blocked.' }));
    await signing(false);
    await press('Passed: sign');
    await waitFor(() => expect(server.sent.at(-1)?.body['facts']).toMatchObject({ passed: true, looks: ['d1', 'd2'] }));
  });

  test('it asks what the work needs and no more: nothing runs for a new lead', async () => {
    show(<ProofScreen jobId="7" />, taking([STEPS, begun], { ...inProof, needs: [] }));
    expect(await screen.findByText('It has passed. Sign it.')).toBeTruthy();
    for (const heading of ['Before the first start', 'Under load', 'Readings', 'Looks'])
      expect(screen.queryByText(heading)).toBeNull();
  });

  test('after an oil change it runs five minutes without load, and the level is looked at again', async () => {
    const needs = ['leak', 'short-run', 'level'] as const;
    show(<ProofScreen jobId="7" />, taking([STEPS, begun], { ...inProof, needs: [...needs] }));
    expect(await screen.findByText('of 5 min')).toBeTruthy();
    expect(screen.getByText('Stopped, five minutes: oil at the mark again')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'No load' })).toBeNull();
    expect(screen.queryByText('Readings')).toBeNull();
  });

  test('the one load that counts is taken with the start of the run', async () => {
    const dry = entryOf('leak-look', { dry: true, note: '' });
    const tiller = { tag: 'TI-01', classId: 'tiller', modelId: 1, model: 'M', serial: 'S', trueHours: 1 } as const;
    const server = show(<ProofScreen jobId="7" />, taking([STEPS, begun, dry], { ...inProof, unit: tiller }));
    await press('It runs: start the time');
    const [{ figure }] = folderOf('tiller').proof.loads;
    await type(`${figure.name}, ${figure.unit}`, String(figure.most + 1));
    expect(screen.getByText(/^It can be set to /)).toBeTruthy();
    await press('It is set');
    expect(server.sent).toEqual([]);
    await type(`${figure.name}, ${figure.unit}`, String(figure.least));
    await press('It is set');
    await waitFor(() => expect(kinds(server.sent)).toEqual(['proof-load', 'run-started']));
    expect(server.sent[0]?.body['facts']).toMatchObject({ figure: { value: figure.least, unit: figure.unit } });
  });

  test('before its minutes are run it is not signed, and says what is wanted', async () => {
    show(<ProofScreen jobId="7" />, taking(ran(8), inProof));
    expect(await screen.findByText('12 of 20 minutes still to run.')).toBeTruthy();
    expect(screen.getByText('Still needed before it passes: minutes under load.')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Passed', disabled: true })).toBeTruthy();
  });

  test('a failed proof leads back to finding', async () => {
    const server = show(<ProofScreen jobId="7" />, taking([STEPS, begun], inProof));
    await press('Failed: find the fault again');
    await waitFor(() => expect(server.sent.at(-1)?.body).toMatchObject({ kind: 'proved', facts: { passed: false } }));
    expect(router.navigate).toHaveBeenLastCalledWith('/u/GE-07/find');
  });

  test('an apprentice runs it and signs nothing', async () => {
    show(<ProofScreen jobId="7" />, taking(ran(21), inProof), {
      ...IVO,
      role: 'apprentice',
    });
    expect(await screen.findByText('A technician or the lead must sign.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Passed' })).toBeNull();
    await press('Ask for the signature');
    expect(await screen.findByText('The signature is asked for. A technician sees it on Shift.')).toBeTruthy();
  });

  test('a card that is not in its proof says so', async () => {
    show(<ProofScreen jobId="7" />, taking([STEPS]));
    expect(await screen.findByText('This card is not being proven.')).toBeTruthy();
  });

  test.each(CLASS_IDS)('of a %s it is signed in at most twelve taps besides figures', async (classId) => {
    const { proof, machineClass } = folderOf(classId);
    const unit = { tag: `${machineClass.letters}-01`, classId, modelId: 1, model: 'M', serial: 'S', trueHours: 1 };
    const defects = [{ id: 'd1', sentence: 'Main jet blocked.' }];
    const more = { ...inProof, unit, job: { defects } };
    let taps = 0;
    const tap = async (control: ReturnType<typeof screen.getByText>) => {
      taps++;
      fireEvent.press(control);
    };
    const named = async (name: string | RegExp) => tap(await screen.findByRole('button', { name }));
    show(<ProofScreen jobId="7" />, taking([STEPS, begun], more));
    await named('Fuel on: dry');
    const [load] = proof.loads;
    const set = async () => {
      type(`${load.figure.name}, ${load.figure.unit}`, String(load.figure.least));
      await press('It is set');
    };
    if (proof.loads.length > 1) {
      await named(load.name);
      await set();
      await named('It runs: start the time');
    } else {
      await named('It runs: start the time');
      await set();
    }
    await named('Exhaust clear');
    screen.unmount();
    // Its minutes later, with its figures typed.
    const figures = proof.readings.map((reading) =>
      entryOf('proof-reading', {
        reading: reading.id as Facts<'proof-reading'>['reading'],
        value: ((reading.least ?? reading.most ?? 0) + (reading.most ?? reading.least ?? 0)) / 2,
        live: false,
      }),
    );
    const before = [
      STEPS,
      begun,
      entryOf('leak-look', { dry: true, note: '' }),
      entryOf('proof-load', { load: load.id, figure: { value: load.figure.least, unit: load.figure.unit } }),
      RUN,
      entryOf('smoke', { clear: true }),
    ];
    show(<ProofScreen jobId="7" />, taking([...before.map((entry) => ago(entry, 61)), ...figures], more));
    await screen.findByText('Looks');
    for (const right of screen.getAllByRole('button', { name: 'Right' })) await tap(right);
    await named('Stop the run');
    await goneText('When the whole time is run and it is stopped.');
    for (const look of screen.getAllByRole('button', { name: 'Right' }))
      if (look.props['aria-pressed'] !== true && look.props.accessibilityState?.selected !== true) await tap(look);
    await named('Passed');
    await named('All 2 were done: tick them');
    await tap(await screen.findByRole('checkbox', { name: 'Main jet blocked.' }));
    await named('Passed: sign');
    expect(await screen.findByText(`${unit.tag}: proven.`)).toBeTruthy();
    expect(taps).toBeLessThanOrEqual(12);
  });
});

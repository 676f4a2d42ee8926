import { CLASS_IDS, PROOF_LOOKS, folderOf } from '@hudrik/core/catalogue';
import type { Facts } from '@hudrik/core/log';
import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { router } from 'expo-router';
import { entryOf, STEPS, taking } from '@/testing/cardReply';
import { IVO, press, show, type, type Sent } from '@/testing/screen';
import { ProofScreen } from './ProofScreen';

const begun = entryOf('to-proof', {});
const inProof = { visit: { state: 'to-prove' } } as const;
const ago = <E extends object>(entry: E, minutes: number): E => ({
  ...entry,
  at: new Date(Date.now() - minutes * 60_000).toISOString(),
});
const kinds = (sent: readonly Sent[]): unknown[] => sent.map((one) => one.body['kind']);

const RUN = entryOf('run-started', {});
/** All of a generator's proof, begun just now. */
const well = [
  STEPS,
  begun,
  entryOf('leak-look', { dry: true, note: '' }),
  entryOf('smoke', { clear: true }),
  entryOf('proof-load', { load: 'load-bank' }),
  RUN,
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

  test('smoke holds the time until it is clear', async () => {
    show(<ProofScreen jobId="7" />, taking([STEPS, begun, entryOf('leak-look', { dry: true, note: '' })], inProof));
    await press('It smokes');
    expect(await screen.findByText('It smokes: let it clear. The time does not count meanwhile.')).toBeTruthy();
    await press('Exhaust clear');
    expect(await screen.findByText('Not run yet: 20 minutes under load are needed.')).toBeTruthy();
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
    await waitFor(() => expect(kinds(server.sent)).toEqual(['proof-load', 'run-started']));
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
    await named('Exhaust clear');
    const [load] = proof.loads;
    if (proof.loads.length > 1 && load) await named(load.name);
    await named('It runs: start the time');
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
      entryOf('smoke', { clear: true }),
      entryOf('proof-load', { load: (load?.id ?? '') as Facts<'proof-load'>['load'] }),
      RUN,
    ];
    show(<ProofScreen jobId="7" />, taking([...before.map((entry) => ago(entry, 61)), ...figures], more));
    await screen.findByText('Looks');
    for (const right of screen.getAllByRole('button', { name: 'Right' })) await tap(right);
    await named('Passed');
    await named('All 2 were done: tick them');
    await tap(await screen.findByRole('checkbox', { name: 'Main jet blocked.' }));
    await named('Passed: sign');
    expect(await screen.findByText(`${unit.tag}: proven.`)).toBeTruthy();
    expect(taps).toBeLessThanOrEqual(12);
  });
});

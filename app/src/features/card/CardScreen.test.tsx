import { router } from 'expo-router';
import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { CARD, entryOf, LOG, STEPS, taking, thingOf } from '@/testing/cardReply';
import { sampleJob } from '@hudrik/core/contracts/samples';
import { goneText, IVO, press, refusal, show, type, type Sent } from '@/testing/screen';
import { CardScreen } from './CardScreen';

const kinds = (sent: readonly Sent[]): unknown[] => sent.map((one) => one.body['kind']);

describe('a job’s card', () => {
  test('says what it is, why, where it stands and what to mind', async () => {
    show(<CardScreen jobId="7" />, taking([STEPS]));
    expect(await screen.findAllByRole('heading', { name: 'Clear the main jet' })).toBeTruthy();
    expect(screen.getByText('Main jet blocked.')).toBeTruthy();
    expect(screen.getAllByText('On the bench').length).toBeGreaterThan(0);
    expect(screen.getByText(/^Held: on the bench/i)).toBeTruthy();
    expect(screen.getByText(/^Fuel vapour sinks/)).toBeTruthy();
    expect(screen.getByRole('checkbox', { name: 'Make it safe' })).toBeTruthy();
  });

  test('all that is wrong stands on it: what closes each, and who does something about it', async () => {
    const defect = (id: string, sentence: string, jobId: string | null) => ({
      id,
      origin: { kind: 'by-hand' as const, id },
      sentence,
      weight: 'hold' as const,
      safety: jobId === null,
      caution: null,
      closer: 'Closes with a technician’s look.',
      jobId,
      causes: [],
      foundAt: '2030-03-04T09:00:00Z',
      by: null,
      seenAt: '2030-03-04T09:00:00Z',
      looks: ['put-right' as const],
      second: null,
      toldBy: null,
    });
    show(
      <CardScreen jobId="7" />,
      taking([STEPS], { defects: [defect('d1', 'Main jet is blocked.', '7'), defect('d2', 'The gun drips.', null)] }),
    );
    expect(await screen.findByText('Clear the main jet. Closes with a technician’s look.')).toBeTruthy();
    expect(screen.getByText('Nothing is being done about it. Closes with a technician’s look.')).toBeTruthy();
    expect(screen.getByText('Safety: nobody can waive it')).toBeTruthy();
  });

  test('of several jobs each is a heading with its own steps, and a step is ticked for its own', async () => {
    const other = sampleJob({ id: '8', state: 'open', title: 'Oil service', visit: { id: '4', state: 'open' } });
    const listed = { edition: 'now', from: 'start', steps: [{ stepId: 's9', key: 'oil-in', title: 'New oil' }] };
    const entries = [STEPS, { ...entryOf('steps-listed', listed), jobId: '8' }];
    const server = show(
      <CardScreen jobId="7" />,
      taking(entries, { jobs: [sampleJob({ state: 'open', visit: { id: '4', state: 'open' } }), other] }),
    );
    expect(await screen.findByRole('heading', { name: 'Clear the main jet · Oil service' })).toBeTruthy();
    expect(screen.getByRole('heading', { name: 'Oil service' })).toBeTruthy();
    fireEvent.press(screen.getByRole('checkbox', { name: 'New oil' }));
    await waitFor(() => expect(server.sent[0]?.body).toMatchObject({ kind: 'step-done', jobId: '8' }));
  });

  test('it is handed on with a note, and says with whom it is', async () => {
    const people = [
      { id: 2, name: 'Ivo Tarnwell', role: 'technician' },
      { id: 3, name: 'Maren Askild', role: 'technician' },
      { id: 5, name: 'Counter', role: 'counter' },
    ];
    const server = show(<CardScreen jobId="7" />, {
      ...taking([STEPS], { visit: { givenTo: { id: 3, name: 'Maren Askild' } } }),
      'GET /api/sign-in-options': { yard: 'Y', demo: false, wantsFirstLead: false, people },
    });
    await press('Hand it on');
    expect(screen.queryByRole('button', { name: 'Counter' })).toBeNull();
    expect(screen.getByText('Choose to whom it goes.')).toBeTruthy();
    await press('Maren Askild');
    type('What is done, what is next', 'Bowl is clean');
    fireEvent.press(screen.getAllByRole('button', { name: 'Hand it on' }).at(-1) ?? screen.root);
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({ kind: 'handed-on', facts: { to: 3, note: 'Bowl is clean' } }),
    );
    expect(await screen.findByText(/^With Maren Askild, from Ivo Tarnwell/)).toBeTruthy();
  });

  test('it is parked only with nothing off and a reason', async () => {
    const server = show(<CardScreen jobId="7" />, taking([STEPS]));
    await press('Pause, or try it');
    expect(screen.getByText('Write above what it waits for.')).toBeTruthy();
    type('Why (optional)', 'Waits for the maker');
    await press('Park the visit');
    await waitFor(() => expect(kinds(server.sent)).toEqual(['parked']));
    expect(await screen.findByText('Parked')).toBeTruthy();
  });

  test('a good result before the time is over is not taken; a bad one is at once', async () => {
    const clock = entryOf('clock-started', { clockId: 'c', clock: 'drip-test', minutes: 120, stepId: null });
    const server = show(<CardScreen jobId="7" />, taking([STEPS, clock]));
    expect(await screen.findByRole('button', { name: 'Dry', disabled: true })).toBeTruthy();
    expect(screen.getByText('When the time is over.')).toBeTruthy();
    await press('Drips');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({ kind: 'clock-ended', facts: { clockId: 'c', result: 'drips' } }),
    );
  });

  test('a clock is as long as its kind; shorter only by a technician, with a reason', async () => {
    const server = show(<CardScreen jobId="7" />, taking([STEPS]));
    await press('Start a clock');
    await type('Minutes', '10');
    expect(await screen.findByText('Shorter than usual wants a reason.')).toBeTruthy();
    await type('Why shorter than usual', 'Only to see');
    await press('Start: 10 min');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        kind: 'clock-started',
        facts: { minutes: 10, shortWhy: 'Only to see' },
      }),
    );
    screen.unmount();
    show(<CardScreen jobId="7" />, taking([STEPS]), { ...IVO, role: 'apprentice' });
    await press('Start a clock');
    await type('Minutes', '10');
    expect(await screen.findByText(/A technician may set it shorter\.$/)).toBeTruthy();
    expect(screen.queryByLabelText('Why shorter than usual')).toBeNull();
  });

  test('a comeback is said with what was done then', async () => {
    show(
      <CardScreen jobId="7" />,
      taking([STEPS], {
        comeback: {
          jobId: '3',
          title: 'New plug',
          closedAt: '2030-02-20T09:00:00Z',
          days: 12,
          hours: 8.5,
          did: 'Ran well',
          causes: ['Plug fouled'],
        },
      }),
    );
    expect(await screen.findByText('A comeback: 12 days and 8.5 h after the last proof.')).toBeTruthy();
    expect(screen.getByText('Then: New plug. Plug fouled. Ran well.')).toBeTruthy();
  });

  test('what brings a cause about and was not looked at is said', async () => {
    show(
      <CardScreen jobId="7" />,
      taking([STEPS], { behind: [{ cause: 'inlet-screen-blocked', parent: 'dirt-in-tank' }] }),
    );
    expect(
      await screen.findByText('Inlet screen blocked: look for dirt in the tank too, or it comes back.'),
    ).toBeTruthy();
  });

  test('work on a waiting card is started by one tap', async () => {
    const server = show(
      <CardScreen jobId="7" />,
      taking([], { job: { state: 'waiting' }, visit: { state: 'waiting' } }),
    );
    await press(/^Start work on it/);
    await waitFor(() => expect(kinds(server.sent)).toEqual(['hands-on']));
  });

  test('a step is ticked, and stands ticked at once', async () => {
    const server = show(<CardScreen jobId="7" />, taking([STEPS]));
    fireEvent.press(await screen.findByRole('checkbox', { name: 'Make it safe' }));
    expect(await screen.findByRole('checkbox', { name: 'Make it safe', checked: true })).toBeTruthy();
    await waitFor(() => expect(server.sent[0]?.body).toMatchObject({ kind: 'step-done', facts: { stepId: 's1' } }));
  });

  test('a step is changed with what stood there, or dropped with a reason', async () => {
    const server = show(<CardScreen jobId="7" />, taking([STEPS]));
    await press('Clear the jet: change or drop');
    type('What is to be done', 'Clear both jets');
    await press('Change it');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        kind: 'step-changed',
        facts: { stepId: 's2', title: 'Clear both jets', was: 'Clear the jet' },
      }),
    );
    await press('Make it safe: change or drop');
    type('Not done: why', 'Was safe');
    await press('Drop the step');
    await waitFor(() => expect(kinds(server.sent)).toEqual(['step-changed', 'step-dropped']));
  });

  test('a usual job offers its things in their order; one tap takes one off to the next hole', async () => {
    const server = show(
      <CardScreen jobId="7" />,
      taking([STEPS, entryOf('teardown-begun', { teardown: 'flywheel-off' })]),
    );
    await press('Off: Plug lead and plug');
    await press('Off: Blower housing with the starter');
    await waitFor(() => expect(server.sent).toHaveLength(2));
    expect(
      server.sent.map((one) => [
        (one.body['facts'] as { what: string }).what,
        (one.body['facts'] as { place: number }).place,
      ]),
    ).toEqual([
      ['Plug lead and plug', 1],
      ['Blower housing with the starter', 2],
    ]);
    expect(screen.getByText('Put back: 2 to go')).toBeTruthy();
  });

  test('a model’s own order comes before the usual one', async () => {
    show(
      <CardScreen jobId="7" />,
      taking([STEPS, entryOf('teardown-begun', { teardown: 'head-off' })], {
        learnt: {
          'head-off': [
            { key: 'guard', what: 'Guard' },
            { key: 'plug', what: 'Plug' },
          ],
        },
      }),
    );
    expect(await screen.findByRole('button', { name: 'Off: Guard' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Off: Muffler and guard' })).toBeNull();
  });

  test('with things off it does not go to its proof; with all back it does', async () => {
    show(<CardScreen jobId="7" />, taking([STEPS, entryOf('taken-off', thingOf('t', 'Bowl', 1))]));
    expect(await screen.findByRole('button', { name: 'Prove it: parts are still off', disabled: true })).toBeTruthy();
    screen.unmount();
    const server = show(
      <CardScreen jobId="7" />,
      taking([STEPS, entryOf('taken-off', thingOf('t', 'Bowl', 1)), entryOf('put-back', { thingId: 't' })]),
    );
    await press('Prove it');
    await waitFor(() => expect(kinds(server.sent)).toEqual(['to-proof']));
    expect(router.navigate).toHaveBeenLastCalledWith('/j/7/proof');
  });

  test('what the server would not take is said and kept until it was seen', async () => {
    const replies = taking([STEPS, entryOf('taken-off', thingOf('t', 'Bowl', 1))]);
    show(<CardScreen jobId="7" />, {
      ...replies,
      [LOG]: refusal(409, 'card-refused', { why: { code: 'things-off', things: ['Bowl'] } }),
    });
    type(await screen.findByLabelText('Note').then(() => 'Note'), 'Cracked clamp');
    await press('Save the note');
    expect(await screen.findByText('Not taken: Note.')).toBeTruthy();
    expect(screen.getByText('Still off: Bowl. Put each back, replace it, or mark it as staying off.')).toBeTruthy();
    await press('Dismiss');
    await goneText('Not taken: Note.');
  });

  test('without a connection it goes on, and says what waits', async () => {
    const server = show(<CardScreen jobId="7" />, taking([STEPS]));
    await screen.findByRole('checkbox', { name: 'Make it safe' });
    server.isAway = true;
    fireEvent.press(screen.getByRole('checkbox', { name: 'Make it safe' }));
    expect(await screen.findByText('One entry is not sent yet.')).toBeTruthy();
    expect(screen.getByRole('checkbox', { name: 'Make it safe', checked: true })).toBeTruthy();
  });

  test('paused for a part, and continued', async () => {
    const server = show(<CardScreen jobId="7" />, taking([STEPS]));
    await press('Pause, or try it');
    type('Why (optional)', 'Gasket torn');
    await press('Pause the work');
    expect(await screen.findByText('Waits for a part')).toBeTruthy();
    await press('Continue the work');
    await waitFor(() => expect(kinds(server.sent)).toEqual(['paused', 'resumed']));
  });

  test('a trial start is a line of its own, with its cautions', async () => {
    const server = show(<CardScreen jobId="7" />, taking([STEPS, entryOf('taken-off', thingOf('t', 'Air box', 1))]));
    await press('Pause, or try it');
    expect(screen.getByText('Still off: air box. A trial start does not count as the proof.')).toBeTruthy();
    await press('It ran badly');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({ kind: 'trial-start', facts: { how: 'ran-badly' } }),
    );
    expect(await screen.findByText(/^Trial start: ran badly/)).toBeTruthy();
  });

  test('a clock is started by its kind; one that has ended asks for its result', async () => {
    const old = {
      ...entryOf('clock-started', { clockId: 'c', clock: 'drip-test', minutes: 5, stepId: null }),
      at: new Date(Date.now() - 3_600_000).toISOString(),
    };
    const server = show(<CardScreen jobId="7" />, taking([STEPS, old]));
    expect(await screen.findByText('Time is up. What was the result?')).toBeTruthy();
    await press('Drips');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({ kind: 'clock-ended', facts: { clockId: 'c', result: 'drips' } }),
    );
    await press('Start a clock');
    fireEvent.press(screen.getByRole('button', { name: 'Battery charge' }));
    await press('Start: 4 h 00');
    await waitFor(() =>
      expect(server.sent[1]?.body).toMatchObject({ kind: 'clock-started', facts: { clock: 'charge', minutes: 240 } }),
    );
  });

  test('steps of an earlier edition are said to be so', async () => {
    show(<CardScreen jobId="7" />, taking([STEPS], { edition: 'later' }));
    expect(
      await screen.findByText(/^The steps come from an earlier edition of the template \(now\); today’s is later\./),
    ).toBeTruthy();
  });

  test('the counter sees the card and can touch nothing of it', async () => {
    show(<CardScreen jobId="7" />, taking([STEPS]), { ...IVO, role: 'counter' });
    expect(await screen.findByRole('checkbox', { name: 'Make it safe', disabled: true })).toBeTruthy();
    for (const name of ['Start my time', 'Prove it', 'Start a clock', 'Ask for a part', 'Something else came off'])
      expect(screen.queryByRole('button', { name })).toBeNull();
  });

  test('a card that cannot be fetched says so and can be asked again', async () => {
    show(<CardScreen jobId="7" />, { [CARD]: refusal(404, 'not-found', {}, 'There is nothing here under that name.') });
    expect(await screen.findByText(/There is nothing here under that name/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Try again' })).toBeTruthy();
  });
});

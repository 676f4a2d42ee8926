import { screen, waitFor } from '@testing-library/react-native';
import { entryOf, STEPS, taking } from '@/testing/cardReply';
import { ago, begun, inProof, RUN } from '@/testing/proofEntries';
import { IVO, press, show, type } from '@/testing/screen';
import { ProofScreen } from './ProofScreen';

describe('answers of a proof', () => {
  test('smoke holds the time until it is clear', async () => {
    const dry = [STEPS, begun, entryOf('leak-look', { dry: true, note: '' })];
    show(<ProofScreen jobId="7" />, taking(dry, inProof));
    // Before it runs nobody can say what the exhaust shows.
    expect(await screen.findByText('Not run yet: 20 minutes under load are needed.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Exhaust clear' })).toBeNull();
    screen.unmount();
    show(<ProofScreen jobId="7" />, taking([...dry, RUN], inProof));
    await press('It smokes');
    expect(await screen.findByText('It smokes: let it clear. The time does not count meanwhile.')).toBeTruthy();
    await press('Exhaust clear');
    expect(await screen.findByText('It runs without load. That does not count.')).toBeTruthy();
  });

  test('what was said not to be right is right again by what was done, and not by a second look', async () => {
    const leaks = entryOf('leak-look', { dry: false, note: '' });
    const server = show(<ProofScreen jobId="7" />, taking([STEPS, begun, ago(leaks, 2)], inProof));
    await press('Fuel on: dry');
    expect(await screen.findByText(/^It was not right before/)).toBeTruthy();
    expect(server.sent).toEqual([]);
    await press('It is right now');
    expect(server.sent).toEqual([]);
    await type('What was done', 'New bowl gasket');
    await press('It is right now');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        kind: 'leak-look',
        facts: { dry: true, did: 'New bowl gasket' },
      }),
    );
  });

  test('a slip of the thumb is taken back within a minute, by whoever made it', async () => {
    const leaks = { ...ago(entryOf('leak-look', { dry: false, note: '' }), 0.2), by: IVO.name };
    const server = show(<ProofScreen jobId="7" />, taking([STEPS, begun, leaks], inProof));
    await press(/^Take back: it leaks/);
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({ kind: 'answer-taken-back', facts: { entryId: leaks.id } }),
    );
  });

  test('another’s answer, and one of two minutes ago, nobody takes back', async () => {
    const leaks = { ...entryOf('leak-look', { dry: false, note: '' }), by: IVO.name };
    for (const other of [{ ...ago(leaks, 0.2), by: 'Maren Askild' }, ago(leaks, 2)]) {
      show(<ProofScreen jobId="7" />, taking([STEPS, begun, other], inProof));
      expect(await screen.findByText('It leaks. Do not start it.')).toBeTruthy();
      expect(screen.queryByRole('button', { name: /^Take back/ })).toBeNull();
      screen.unmount();
    }
  });

  test('a look that is about the run waits for it, and says for what', async () => {
    const needs = ['leak', 'short-run', 'level'] as const;
    const dry = entryOf('leak-look', { dry: true, note: '' });
    show(<ProofScreen jobId="7" />, taking([STEPS, begun, dry], { ...inProof, needs: [...needs] }));
    expect(await screen.findAllByText('Run it first: that is seen on a run only.')).toHaveLength(3);
    expect(screen.queryByRole('button', { name: 'Right' })).toBeNull();
    screen.unmount();
    const running = [ago(RUN, 1)];
    show(<ProofScreen jobId="7" />, taking([STEPS, begun, ago(dry, 9), ...running], { ...inProof, needs: [...needs] }));
    expect(await screen.findAllByText('When the whole time is run and it is stopped.')).toHaveLength(2);
    expect(screen.getAllByRole('button', { name: 'Right' })).toHaveLength(1);
    screen.unmount();
    const stopped = [ago(RUN, 9), ago(entryOf('run-stopped', { why: '' }), 2)];
    show(<ProofScreen jobId="7" />, taking([STEPS, begun, ago(dry, 9), ...stopped], { ...inProof, needs: [...needs] }));
    expect(await screen.findByText(/^From .* on: the oil has to run back/)).toBeTruthy();
  });

  test('no load is to be had: a lead says so, with a reason; nobody else is offered it', async () => {
    const server = show(<ProofScreen jobId="7" />, taking([STEPS, begun], inProof), { ...IVO, role: 'lead' });
    await press('There is no load here');
    await type('Why there is none', 'No snow in July');
    await press('Run it without');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({ kind: 'load-not-had', facts: { why: 'No snow in July' } }),
    );
    expect(await screen.findByText(/^No load to be had: No snow in July\. Not proved, and shown so: /)).toBeTruthy();
  });

  test('to nobody else it is offered', async () => {
    show(<ProofScreen jobId="7" />, taking([STEPS, begun], inProof));
    expect(await screen.findByText('Under load')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'There is no load here' })).toBeNull();
  });
});

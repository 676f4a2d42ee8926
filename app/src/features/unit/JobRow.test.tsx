import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { router } from 'expo-router';
import { LOG, taken } from '@/testing/cardReply';
import { jobLine } from '@/testing/samples';
import { IVO, press, refusal, show, type } from '@/testing/screen';
import { JobRow } from './JobRow';

describe('a job as a line', () => {
  test('says what, why, minutes, where it stands and what to mind', async () => {
    show(
      <JobRow
        job={jobLine({
          state: 'open',
          visit: { id: '4', state: 'waits-part' },
          startedBy: 'Maren Askild',
          caution: 'fuel-vapour',
        })}
      />,
      {},
    );
    expect(await screen.findByText('Repair · 20 min · waits for a part with Maren Askild')).toBeTruthy();
    expect(screen.getByText('Main jet blocked.')).toBeTruthy();
    expect(screen.getByText(/^Fuel vapour sinks/)).toBeTruthy();
  });

  test('leads to its card', async () => {
    show(<JobRow job={jobLine()} />, {});
    await press('Card: Clear the main jet');
    expect(router.navigate).toHaveBeenLastCalledWith('/j/7');
  });

  test('is started by one tap', async () => {
    const server = show(<JobRow job={jobLine()} />, { [LOG]: taken });
    await press('Start: Clear the main jet');
    await waitFor(() => expect(server.sent[0]?.body).toMatchObject({ kind: 'job-started', jobId: '7', facts: {} }));
  });

  test('what must run is not signed off here', async () => {
    show(<JobRow job={jobLine()} />, {});
    expect(await screen.findByRole('button', { name: 'Card: Clear the main jet' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Sign off: Clear the main jet' })).toBeNull();
  });

  test('a prep ends with a look; a refusal keeps what was written', async () => {
    const server = show(<JobRow job={jobLine({ kind: 'prep', asksProof: false, title: 'Clean it' })} />, {
      [LOG]: refusal(409, 'job-closed', {}, 'This job is already closed.'),
    });
    await press('Sign off: Clean it');
    type('What was done (optional)', 'Washed');
    // The row's own button has the same word.
    fireEvent.press(screen.getAllByRole('button', { name: 'Sign off' }).at(-1) ?? screen.root);
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({ kind: 'job-finished', jobId: '7', facts: { note: 'Washed' } }),
    );
    expect(await screen.findByText(/This job is already closed/)).toBeTruthy();
    expect(screen.getByText('What you wrote is still here.')).toBeTruthy();
  });

  test('is not signed before each thing that it is there for was looked at', async () => {
    const defects = [{ id: 'd1', sentence: 'It is dirty.' }];
    const server = show(<JobRow job={jobLine({ kind: 'prep', asksProof: false, title: 'Clean it', defects })} />, {
      [LOG]: taken,
    });
    await press('Sign off: Clean it');
    expect(await screen.findByText('One line is not ticked yet.')).toBeTruthy();
    const sign = () => fireEvent.press(screen.getAllByRole('button', { name: 'Sign off' }).at(-1) ?? screen.root);
    sign();
    fireEvent.press(screen.getByRole('checkbox', { name: 'It is dirty.' }));
    expect(screen.queryByText('One line is not ticked yet.')).toBeNull();
    sign();
    await waitFor(() => expect(server.sent.map((one) => one.body['facts'])).toEqual([{ note: '', looks: ['d1'] }]));
  });

  test('dropping says that what is wrong stays', async () => {
    const defects = [{ id: 'd1', sentence: 'It is dirty.' }];
    show(<JobRow job={jobLine({ defects })} />, {});
    await press('Drop: Clear the main jet');
    expect(await screen.findByText(/^The job goes, what is wrong stays/)).toBeTruthy();
  });

  test('is dropped with a reason only', async () => {
    const server = show(<JobRow job={jobLine()} />, { [LOG]: taken });
    await press('Drop: Clear the main jet');
    await press('Drop the job');
    expect(await screen.findByText('Write at least 3 characters.')).toBeTruthy();
    expect(server.sent).toEqual([]);
    type('Why', 'Unit is sold');
    await press('Drop the job');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({ kind: 'job-dropped', facts: { why: 'Unit is sold' } }),
    );
  });

  test.each(['counter', 'apprentice'] as const)('a %s signs and drops nothing', async (role) => {
    show(<JobRow job={jobLine({ kind: 'prep', asksProof: false })} />, {}, { ...IVO, role });
    expect(await screen.findByText('Clear the main jet')).toBeTruthy();
    for (const name of ['Sign off: Clear the main jet', 'Drop: Clear the main jet'])
      expect(screen.queryByRole('button', { name })).toBeNull();
  });
});

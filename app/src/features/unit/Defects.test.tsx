import type { Defect } from '@hudrik/core/contracts';
import { sampleDefect } from '@hudrik/core/contracts/samples';
import { screen, waitFor } from '@testing-library/react-native';
import { router } from 'expo-router';
import { LOG, taken } from '@/testing/cardReply';
import { pageWith } from '@/testing/samples';
import { IVO, press, refusal, show, type } from '@/testing/screen';
import { Defects } from './Defects';

const defect = (more: Partial<Defect> = {}): Defect =>
  sampleDefect({
    id: '6f1f6a52-1f0e-4f5e-9a55-0c9b2f6f0001',
    sentence: 'A socket is burnt.',
    closer: 'Closes when it is put right.',
    jobId: '7',
    ...more,
  });
const CLERK = { ...IVO, role: 'counter' } as const;
const APPRENTICE = { ...IVO, role: 'apprentice' } as const;

describe('what is wrong with a unit', () => {
  test('each with who found it, whether it can hurt, what closes it, and the way to its card', async () => {
    show(<Defects page={pageWith([defect({ seenAt: '2030-03-05T09:00:00Z' })])} />, {});
    expect(await screen.findByText('A socket is burnt.')).toBeTruthy();
    expect(screen.getByText(/^Safety: nobody can waive it · Found .* by Maren Askild · seen again /)).toBeTruthy();
    expect(screen.getByText('Closes when it is put right.')).toBeTruthy();
    await press('To the card of: Clear the main jet');
    expect(router.navigate).toHaveBeenLastCalledWith('/j/7');
  });

  test('nothing is being done about one without a job', async () => {
    show(<Defects page={pageWith([defect({ jobId: null, safety: false })])} />, {});
    expect(await screen.findByText('Nothing is being done about it. Closes when it is put right.')).toBeTruthy();
    expect(screen.getByText(/^Found /)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^To the card/ })).toBeNull();
  });

  test('is closed by a look, with what was found and why', async () => {
    const server = show(<Defects page={pageWith([defect()])} />, { [LOG]: taken });
    await press('Close: A socket is burnt.');
    await press('Close it');
    expect(await screen.findByText('Choose one.')).toBeTruthy();
    await press('It is put right');
    type('What you looked at, and what was done', 'New socket, tried it');
    await press('Close it');
    await waitFor(() =>
      expect(server.sent.map((one) => [one.body['kind'], one.body['tag'], one.body['facts']])).toEqual([
        [
          'defect-closed',
          'GE-07',
          { defectId: '6f1f6a52-1f0e-4f5e-9a55-0c9b2f6f0001', how: 'put-right', why: 'New socket, tried it' },
        ],
      ]),
    );
  });

  test('somebody was first: said, and what was written stays', async () => {
    show(<Defects page={pageWith([defect()])} />, {
      [LOG]: refusal(409, 'defect-closed', { by: 'Runa' }, 'Somebody closed this already.'),
    });
    await press('Close: A socket is burnt.');
    await press('It was all right');
    type('What you looked at, and what was done', 'Only soot');
    await press('Close it');
    expect(await screen.findByText('Somebody closed this already.')).toBeTruthy();
    expect(screen.getByLabelText('What you looked at, and what was done').props.value).toBe('Only soot');
  });

  test('something else is written down; whether it can hurt is asked', async () => {
    const server = show(<Defects page={pageWith([])} />, { [LOG]: taken });
    await press('Write down what is wrong');
    type('In one sentence', 'The handle is cracked.');
    await press('It must not go out');
    await press('Write it down');
    expect(await screen.findByText('Choose one.')).toBeTruthy();
    expect(server.sent).toEqual([]);
    await press('Yes');
    await press('Write it down');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        kind: 'defect-found',
        facts: { sentence: 'The handle is cracked.', weight: 'hold', safety: true },
      }),
    );
  });

  test('without a connection: what is closed and what is written down here says that it is not sent yet', async () => {
    const server = show(<Defects page={pageWith([defect()])} />, { [LOG]: taken });
    server.isAway = true;
    await press('Close: A socket is burnt.');
    await press('It is put right');
    type('What you looked at, and what was done', 'New socket');
    await press('Close it');
    expect(await screen.findByText(/^Closed here, not sent yet/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Close: A socket is burnt.' })).toBeNull();
    await press('Something else is wrong');
    type('In one sentence', 'The handle is cracked.');
    await press('Yes');
    await press('It must not go out');
    await press('Write it down');
    expect(await screen.findByText('Written down here, not sent yet.')).toBeTruthy();
  });

  test('the counter reads it; an apprentice writes down, and closes nothing', async () => {
    show(<Defects page={pageWith([defect()])} />, {}, CLERK);
    expect(await screen.findByText('A socket is burnt.')).toBeTruthy();
    expect(screen.queryAllByRole('button')).toEqual([]);
  });

  test('an apprentice closes nothing', async () => {
    show(<Defects page={pageWith([defect()])} />, {}, APPRENTICE);
    expect(await screen.findByRole('button', { name: 'Something else is wrong' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Close: A socket is burnt.' })).toBeNull();
  });
});

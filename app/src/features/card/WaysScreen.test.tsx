import { screen, waitFor } from '@testing-library/react-native';
import { cardReply, STEPS, taking } from '@/testing/cardReply';
import { ways } from '@/testing/samples';
import { press, refusal, show, type } from '@/testing/screen';
import { WaysScreen } from './WaysScreen';

const WAYS = 'GET /api/jobs/7/ways';

describe('fix, replace, swap or let go', () => {
  test('the answer first, then the odds it turns at, then each way', async () => {
    show(<WaysScreen jobId="7" />, { ...taking([STEPS]), [WAYS]: ways() });
    expect(await screen.findByText('Clean or repair it: $200.00 better than replace the part.')).toBeTruthy();
    expect(screen.getByText('Repairing pays off while more than 61 in 100 such repairs hold.')).toBeTruthy();
    expect(screen.getByText('+ $900.00')).toBeTruthy();
    expect(screen.getByText('$200.00')).toBeTruthy();
  });

  test('ways that are as good are said to be so', async () => {
    const [mend, replace, retire] = ways().ways;
    show(<WaysScreen jobId="7" />, {
      ...taking([STEPS]),
      [WAYS]: ways({ ways: [mend, { ...replace, costCents: (mend?.costCents ?? 0) + 300 }, retire] as never }),
    });
    expect(await screen.findByText('Clean or repair it, or replace the part: the same within $10.00.')).toBeTruthy();
  });

  test('what nobody looked at makes it a guess; what is not to be had is said', async () => {
    show(<WaysScreen jobId="7" />, {
      ...taking([STEPS]),
      [WAYS]: ways({ notLookedAt: ['the bowl', 'the compression'], notToBeHad: ['TV-2041'], breakEvenSuccess: null }),
    });
    expect(await screen.findByText('A guess: nobody has looked at the bowl, the compression yet.')).toBeTruthy();
    expect(screen.getByText('No longer to be had: TV-2041.')).toBeTruthy();
    expect(screen.queryByText(/^Repairing pays/)).toBeNull();
  });

  test('state, access and risks are asked anew', async () => {
    const asked: string[] = [];
    show(<WaysScreen jobId="7" />, {
      ...taking([STEPS]),
      [WAYS]: ({ path }: { path: string }) => {
        asked.push(path);
        return ways();
      },
    });
    await press('Corroded, pitted: 35 in 100 hold');
    await press('1 h 00');
    await press(/^A fastener that may shear/);
    await waitFor(() => expect(asked.at(-1)).toBe('/api/jobs/7/ways?state=corroded&risks=seized-fastener&access=60'));
  });

  test('a decision is kept with its figures and why', async () => {
    const server = show(<WaysScreen jobId="7" />, { ...taking([STEPS]), [WAYS]: ways() });
    await press('Decide: Retire the unit');
    type('Why (optional)', 'Third time this year');
    await press('Decide');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        kind: 'decided',
        facts: {
          way: 'retire',
          why: 'Third time this year',
          figures: { breakEvenSuccess: 0.61, asked: { state: 'dirty' } },
        },
      }),
    );
  });

  test('a reckoning that fails can be asked again', async () => {
    show(<WaysScreen jobId="7" />, {
      'GET /api/jobs/7/card': cardReply([STEPS]),
      [WAYS]: refusal(503, 'store-away', {}, 'The yard’s records cannot be reached just now.'),
    });
    expect(await screen.findByRole('button', { name: 'Try again' })).toBeTruthy();
  });
});

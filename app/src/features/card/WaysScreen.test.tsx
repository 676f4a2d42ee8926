import { screen, waitFor } from '@testing-library/react-native';
import { cardReply, STEPS, taking } from '@/testing/cardReply';
import { router } from 'expo-router';
import { wayOf, ways } from '@/testing/samples';
import { press, refusal, show, type } from '@/testing/screen';
import { WaysScreen } from './WaysScreen';

const WAYS = 'GET /api/jobs/7/ways';

describe('fix, replace, swap or let go', () => {
  test('the answer first, then the odds it turns at, then each way', async () => {
    show(<WaysScreen jobId="7" />, { ...taking([STEPS]), [WAYS]: ways() });
    expect(await screen.findByText('Clear the main jet: $200 better than replace the carburettor.')).toBeTruthy();
    expect(
      screen.getByText('If the odds that it holds were 61 in 100, not 85 in 100: replace the carburettor.'),
    ).toBeTruthy();
    expect(screen.getByText('+ $900')).toBeTruthy();
    expect(screen.getByText('$200')).toBeTruthy();
    // Its spread, worst first.
    expect(screen.getByText('eight in ten: + $830 to + $950')).toBeTruthy();
  });

  test('ways that are as good are said to be so', async () => {
    const [mend, replace, retire] = ways().ways;
    show(<WaysScreen jobId="7" />, {
      ...taking([STEPS]),
      [WAYS]: ways({ ways: [mend, { ...replace, costCents: (mend?.costCents ?? 0) + 300 }, retire] as never }),
    });
    expect(
      await screen.findByText('Clear the main jet, or replace the carburettor: the same within $10.00.'),
    ).toBeTruthy();
  });

  test('what nobody looked at makes it a guess; what is not to be had is said', async () => {
    show(<WaysScreen jobId="7" />, {
      ...taking([STEPS]),
      [WAYS]: ways({ notLookedAt: ['the bowl', 'the compression'], notToBeHad: ['TV-2041'], flips: [] }),
    });
    expect(await screen.findByText('A guess: nobody has looked at the bowl, the compression yet.')).toBeTruthy();
    expect(screen.getByText('No longer to be had: TV-2041.')).toBeTruthy();
    expect(screen.queryByText(/^If the odds/)).toBeNull();
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
          figures: { causes: ['main-jet-blocked'], asked: { state: 'dirty' } },
        },
      }),
    );
  });

  test('without a cause there is nothing to replace: finding it is a way, and leads there', async () => {
    const found = [wayOf('find', -40_000), wayOf('retire', 20_000)];
    show(<WaysScreen jobId="7" />, { ...taking([STEPS]), [WAYS]: ways({ ways: found, causes: [], flips: [] }) });
    expect(await screen.findByText('Nobody knows the cause yet: there is nothing to replace.')).toBeTruthy();
    await press('Find the fault');
    expect(router.navigate).toHaveBeenLastCalledWith('/u/GE-07/find');
  });

  test('where each figure comes from is a tap away', async () => {
    const basis = [
      {
        name: 'Odds that it comes back',
        value: 0.125,
        unit: 'odds',
        whence: 'The yard’s own proven visits; 2 of 6 here.',
      },
    ];
    show(<WaysScreen jobId="7" />, { ...taking([STEPS]), [WAYS]: ways({ basis }) });
    expect(await screen.findByText('12.5 in 100')).toBeTruthy();
    await press('Where from: The yard’s own proven visits');
    expect(screen.getByText('The yard’s own proven visits; 2 of 6 here.')).toBeTruthy();
  });

  test('which repair of several is chosen stands in the decision', async () => {
    const server = show(<WaysScreen jobId="7" />, { ...taking([STEPS]), [WAYS]: ways() });
    await press('Decide: Replace the carburettor');
    await press('Decide');
    await waitFor(() =>
      expect(server.sent[0]?.body['facts']).toMatchObject({ way: 'replace', why: 'Replace the carburettor' }),
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

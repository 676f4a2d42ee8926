import { screen, waitFor } from '@testing-library/react-native';
import { call } from '@/api';
import { outbox } from '@/outbox';
import type { NewItem } from '@/outbox/item';
import { LOG, taken } from '@/testing/cardReply';
import { IVO, press, refusal, show } from '@/testing/screen';
import { WaitingScreen } from './WaitingScreen';

const note = (id: string, maker: NewItem['maker'], text: string): NewItem => ({
  id,
  what: 'entry',
  kind: 'note',
  facts: { text },
  on: { tag: 'GE-07' },
  maker,
  madeAt: '2030-03-04T09:00:00Z',
});
const MAREN = { id: 3, name: 'Maren Askild' };

describe('what waits to be sent', () => {
  test('nothing: everything was sent', async () => {
    show(<WaitingScreen />, {});
    expect(await screen.findByText('Everything made on this device was sent.')).toBeTruthy();
  });

  test('one’s own is tried again, and gone once it is sent', async () => {
    const server = show(<WaitingScreen />, { [LOG]: taken });
    server.isAway = true;
    await outbox().keep(note('n1', IVO, 'Loud'));
    expect(await screen.findByText('One thing made on this device was not sent.')).toBeTruthy();
    server.isAway = false;
    await press('Try to send now');
    expect(await screen.findByText('Everything made on this device was sent.')).toBeTruthy();
    expect(server.sent[0]?.body).toMatchObject({ id: 'n1', kind: 'note' });
  });

  test('another’s waits for them: it can be neither sent nor thrown away here', async () => {
    const server = show(<WaitingScreen />, { [LOG]: taken });
    await outbox().keep(note('n1', MAREN, 'Loud'));
    expect(await screen.findByText(/^They are sent when Maren Askild signs in on this device\./)).toBeTruthy();
    for (const name of ['Discard', 'Send it again', 'Send it on for Maren Askild', 'Try to send now'])
      expect(screen.queryByRole('button', { name })).toBeNull();
    expect(server.sent).toEqual([]);
  });

  test('how much waits goes with every call, for who runs the yard to see', async () => {
    show(<WaitingScreen />, { [LOG]: taken });
    await outbox().keep(note('n1', MAREN, 'Loud'));
    await outbox().keep(note('n2', MAREN, 'Louder'));
    const said: unknown[] = [];
    const answer = globalThis.fetch;
    globalThis.fetch = (url, init) => {
      said.push(new Headers(init?.headers).get('Hudrik-Waiting'));
      return answer(url, init);
    };
    await call('shift').catch(() => undefined);
    // Entered at a time that has not come: how long they wait is not known.
    expect(said).toEqual(['2']);
  });

  test('a lead sends it on, with both names', async () => {
    const server = show(<WaitingScreen />, { [LOG]: taken }, { ...IVO, id: 1, name: 'Runa Veldt', role: 'lead' });
    await outbox().keep(note('n1', MAREN, 'Loud'));
    await press('Send it on for Maren Askild');
    await waitFor(() => expect(server.sent[0]?.body).toMatchObject({ id: 'n1', madeBy: 3 }));
  });

  test('a refusal says why and what to do; it is discarded in two taps', async () => {
    show(<WaitingScreen />, { [LOG]: refusal(409, 'job-closed', {}, 'This job is already closed.') });
    await outbox().keep(note('n1', IVO, 'Loud'));
    expect(
      await screen.findByText(/^Refused: This job is already closed\. If it still matters, write it as a note/),
    ).toBeTruthy();
    await press('Discard');
    await press('Discard it for good');
    expect(await screen.findByText('Everything made on this device was sent.')).toBeTruthy();
  });

  test('what nobody is known to have made is claimed, and goes', async () => {
    const server = show(<WaitingScreen />, { [LOG]: taken });
    await outbox().keep(note('n1', null, 'Loud'));
    await press('It is mine');
    await waitFor(() => expect(server.sent[0]?.body).toMatchObject({ id: 'n1', madeBy: null }));
  });
});

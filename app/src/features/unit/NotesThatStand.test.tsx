import { screen, waitFor } from '@testing-library/react-native';
import { taken } from '@/testing/cardReply';
import { unitSheet } from '@/testing/samples';
import { IVO, press, show, type, type Sent } from '@/testing/screen';
import { NotesThatStand } from './NotesThatStand';

const note = {
  id: 'n1',
  text: 'Left bolt: leave it',
  places: ['card' as const],
  by: 'Ivo Tarnwell',
  at: '2030-01-01T00:00:00Z',
};
const replies = {
  'GET /api/units/GE-07/sheet': unitSheet({ notes: [note] }),
  'POST /api/log': (sent: Sent) => taken(sent),
};

describe('notes that stand', () => {
  test('are put up with where they show, and taken down', async () => {
    const server = show(<NotesThatStand tag="GE-07" />, replies);
    expect(await screen.findByText('Left bolt: leave it')).toBeTruthy();
    await press('Put up a note');
    await press('In fault finding');
    await press('On the card');
    await press('Put it up');
    expect(server.sent).toEqual([]);
    type('What whoever comes to it must know', 'Reads 94 by hand');
    await press('Put it up');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        kind: 'standing-note',
        tag: 'GE-07',
        facts: { text: 'Reads 94 by hand', places: ['finding'] },
      }),
    );
    await press('Take down: Left bolt: leave it');
    await waitFor(() =>
      expect(server.sent[1]?.body).toMatchObject({ kind: 'standing-note-ended', facts: { noteId: 'n1' } }),
    );
  });

  test('the counter reads them and changes nothing', async () => {
    show(<NotesThatStand tag="GE-07" />, replies, { ...IVO, role: 'counter' });
    expect(await screen.findByText('Left bolt: leave it')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Put up a note' })).toBeNull();
    expect(screen.queryByRole('button', { name: /^Take down/ })).toBeNull();
  });
});

import { screen, waitFor } from '@testing-library/react-native';
import { order, part } from '@/testing/samples';
import { IVO, press, refusal, show, type, type Replies } from '@/testing/screen';
import { PartsScreen } from './PartsScreen';

const REPLIES: Replies = {
  'GET /api/parts': {
    parts: [
      part('TV-4102', { name: 'Plug', onHand: 1, reorderAt: 2 }),
      part('TV-9000', {
        name: 'Service kit',
        kind: 'kit',
        cents: 1750,
        pieces: [{ number: 'TV-4102', name: 'Plug', count: 2, cents: 560 }],
        formerly: ['TV-8999'],
      }),
    ],
    today: null,
  },
  'GET /api/parts/reorder': { lines: [], cents: 0 },
  'GET /api/orders': {
    orders: [order({ late: true })],
    supplier: { answeredAt: '2030-03-04T08:00:00Z', problem: null },
  },
  'GET /api/exchange-parts': {
    parts: [
      {
        id: 'x',
        name: 'Carburettor',
        number: null,
        state: 'cleaned',
        origin: 'GE-07',
        place: 'Box 4',
        at: '2030-03-04T09:00:00Z',
      },
    ],
  },
};

describe('the shelf', () => {
  test('says in one sentence what is short, and marks it', async () => {
    show(<PartsScreen />, REPLIES);
    expect(await screen.findByText('One part is below its reorder point.')).toBeTruthy();
    expect(screen.getByText(/^TV-4102 · \$5\.00 · Shelf 1 · reorder$/)).toBeTruthy();
  });

  test('an old number leads to today’s', async () => {
    show(<PartsScreen />, {
      ...REPLIES,
      'GET /api/parts': {
        parts: [part('TV-1182')],
        today: { asked: 'TV-1180', number: 'TV-1182', through: ['TV-1180', 'TV-1180A'] },
      },
    });
    expect(await screen.findByText('TV-1180 is now TV-1182, after TV-1180A.')).toBeTruthy();
  });

  test('a kit is set against its pieces; earlier numbers are told', async () => {
    show(<PartsScreen />, REPLIES);
    await press('Open TV-9000');
    expect(screen.getByText('The pieces are cheaper: $11.20, against $17.50 for the kit.')).toBeTruthy();
    expect(screen.getByText('Earlier numbers: TV-8999.')).toBeTruthy();
  });

  test('a count is kept with why it differs', async () => {
    const server = show(<PartsScreen />, { ...REPLIES, 'POST /api/parts/TV-4102/count': { parts: [], today: null } });
    await press('Open TV-4102');
    type('Counted on the shelf', '7');
    await press('Save the count');
    expect(await screen.findByText('Write at least 2 characters.')).toBeTruthy();
    type('Why it differs', 'Found a box');
    await press('Save the count');
    await waitFor(() => expect(server.sent[0]?.body).toEqual({ count: 7, why: 'Found a box' }));
  });

  test('a part is added; a price that is none is said', async () => {
    const server = show(<PartsScreen />, {
      ...REPLIES,
      'POST /api/parts': refusal(409, 'already-there', {}, 'That is already there.'),
    });
    await press('Add a part');
    type('Number', 'tv-5');
    type('What it is', 'Clamp');
    type('Price', 'cheap');
    await press('Add it');
    expect(await screen.findByText('Enter a price, e.g. 12.50.')).toBeTruthy();
    type('Price', '1,5');
    await press('Add it');
    await waitFor(() =>
      expect(server.sent[0]?.body).toEqual({ number: 'TV-5', name: 'Clamp', cents: 150, place: '', count: 0 }),
    );
    expect(await screen.findByText(/That is already there/)).toBeTruthy();
  });

  test('a late order is said to be late, asked after, and received', async () => {
    const server = show(<PartsScreen />, {
      ...REPLIES,
      'POST /api/orders/order-1/send': order(),
      'POST /api/orders/order-1/receive': order({ state: 'arrived' }),
    });
    expect(await screen.findByText(/^S-1, late, now expected /)).toBeTruthy();
    await press('Ask the supplier now');
    await press('It has arrived');
    await waitFor(() =>
      expect(server.sent.map((one) => one.path)).toEqual(['/api/orders/order-1/send', '/api/orders/order-1/receive']),
    );
  });

  test('an order that was not taken yet can be sent again; a supplier that is away is said', async () => {
    show(<PartsScreen />, {
      ...REPLIES,
      'GET /api/orders': {
        orders: [order({ state: 'sending', supplierRef: null, problem: 'slow' })],
        supplier: { answeredAt: '2030-03-01T08:00:00Z', problem: 'away' },
      },
    });
    expect(await screen.findByText(/^The supplier cannot be reached\. It answered last Fri 1 Mar/)).toBeTruthy();
    expect(screen.getByText('The supplier did not answer in time.')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Ask the supplier now' })).toBeTruthy();
  });

  test('an exchange part goes on to proven', async () => {
    const server = show(<PartsScreen />, { ...REPLIES, 'POST /api/exchange-parts/x': { parts: [] } });
    await press('Carburettor: proven');
    await waitFor(() => expect(server.sent[0]?.body).toEqual({ state: 'proven' }));
  });

  test('the counter looks and changes nothing', async () => {
    show(<PartsScreen />, REPLIES, { ...IVO, role: 'counter' });
    expect(await screen.findByText('Plug')).toBeTruthy();
    for (const name of ['Add a part', 'It has arrived', 'Ask the supplier now', 'Carburettor: proven'])
      expect(screen.queryByRole('button', { name })).toBeNull();
  });

  test('an empty shelf says what to do', async () => {
    show(<PartsScreen />, { ...REPLIES, 'GET /api/parts': { parts: [], today: null } });
    expect(
      await screen.findByText('No parts yet. Import a list under “Import and export lists”, or add one.'),
    ).toBeTruthy();
  });
});

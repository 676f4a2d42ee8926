import { screen, waitFor } from '@testing-library/react-native';
import { STEPS, taking } from '@/testing/cardReply';
import { order, part, partLine } from '@/testing/samples';
import { IVO, press, refusal, show, type } from '@/testing/screen';
import { CardScreen } from './CardScreen';

const LINES = { lines: [] };
const withParts = (...parts: ReturnType<typeof partLine>[]) => taking([STEPS], { parts });

describe('parts of a card', () => {
  test('each line says its state, its place or when it is expected, and by what number it was asked for', async () => {
    show(
      <CardScreen jobId="7" />,
      withParts(
        partLine({ state: 'reserved' }),
        partLine({ id: 'line-2', asked: 'TV-1180', state: 'ordered', expectedAt: '2030-03-09T10:00:00Z', late: true }),
      ),
    );
    expect(await screen.findByText('reserved on the shelf, Shelf 3')).toBeTruthy();
    expect(screen.getByText('Asked for as TV-1180: that is today’s number.')).toBeTruthy();
    expect(screen.getByText(/^on order, late, now expected /)).toBeTruthy();
  });

  test('what is reserved is used; what is used is given back', async () => {
    const server = show(<CardScreen jobId="7" />, {
      ...withParts(partLine({ state: 'reserved' }), partLine({ id: 'line-2', state: 'used', name: 'Plug' })),
      'POST /api/part-lines/line-1/deed': LINES,
      'POST /api/part-lines/line-2/deed': LINES,
    });
    await press('Used: Gasket set');
    await press('Give back: Plug');
    await waitFor(() =>
      expect(server.sent.map((one) => [one.path, one.body['deed']])).toEqual([
        ['/api/part-lines/line-1/deed', 'use'],
        ['/api/part-lines/line-2/deed', 'return'],
      ]),
    );
  });

  test('somebody else’s deed meanwhile is said', async () => {
    show(<CardScreen jobId="7" />, {
      ...withParts(partLine({ state: 'reserved' })),
      'POST /api/part-lines/line-1/deed': refusal(
        409,
        'part-line-moved',
        {},
        'Somebody did something with that part meanwhile.',
      ),
    });
    await press('Used: Gasket set');
    expect(await screen.findByText(/Somebody did something with that part meanwhile/)).toBeTruthy();
  });

  test('what is wanted is ordered at once; a supplier that is away keeps the order', async () => {
    const server = show(<CardScreen jobId="7" />, {
      ...withParts(partLine(), partLine({ id: 'line-2' })),
      'POST /api/orders': order({ state: 'sending', supplierRef: null, problem: 'away' }),
    });
    await press('Order these 2');
    await waitFor(() => expect(server.sent[0]?.body['lines']).toEqual(['line-1', 'line-2']));
    expect(await screen.findByText('The supplier can not be reached.')).toBeTruthy();
    expect(screen.getByText('The order is kept. Send it again from the parts’ page.')).toBeTruthy();
  });

  test('an apprentice asks for parts and orders none', async () => {
    show(<CardScreen jobId="7" />, withParts(partLine()), { ...IVO, role: 'apprentice' });
    expect(await screen.findByRole('button', { name: 'Ask for a part' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Order it' })).toBeNull();
  });

  test('any number is asked for; the supplier’s word comes first, and puts a new number into the catalogue', async () => {
    const server = show(<CardScreen jobId="7" />, {
      ...withParts(),
      'GET /api/parts/TV-1180/quote': {
        asked: 'TV-1180',
        number: 'TV-1182',
        through: ['TV-1180'],
        name: 'Gasket set',
        obtainable: true,
        cents: 790,
        leadDays: 3,
        problem: null,
      },
      'GET /api/parts': { parts: [], today: null },
      'POST /api/parts': { parts: [part('TV-1182')], today: null },
      'POST /api/jobs/7/parts': LINES,
    });
    await press('Ask for a part');
    type('Number, today’s or any earlier', '?');
    expect(screen.getByText('Letters, figures, dots, dashes, slashes.')).toBeTruthy();
    type('Number, today’s or any earlier', 'TV-1180');
    await press('One more');
    await press('What the supplier says');
    expect(await screen.findByText('TV-1180 is TV-1182 today. Gasket set: $7.90, in 3 days.')).toBeTruthy();
    await press('Ask for it');
    await waitFor(() => expect(server.sent.map((one) => one.path)).toEqual(['/api/parts', '/api/jobs/7/parts']));
    expect(server.sent[1]?.body).toMatchObject({ number: 'TV-1180', count: 2 });
  });

  test.each([
    [{ obtainable: false, problem: null }, 'No longer to be had. That changes the answer: mend it, swap, or let go.'],
    [{ obtainable: false, problem: 'not-known' }, 'The supplier does not know that number.'],
    [{ obtainable: false, problem: 'slow' }, 'The supplier did not answer in time.'],
    [{ obtainable: false, problem: 'nonsense' }, 'The supplier answered nonsense.'],
  ])('the supplier says %j', async (said, words) => {
    show(<CardScreen jobId="7" />, {
      ...withParts(),
      'GET /api/parts/TV-1/quote': {
        asked: 'TV-1',
        number: 'TV-1',
        through: [],
        name: null,
        cents: null,
        leadDays: null,
        ...said,
      },
    });
    await press('Ask for a part');
    type('Number, today’s or any earlier', 'TV-1');
    await press('What the supplier says');
    expect(await screen.findByText(words)).toBeTruthy();
  });
});

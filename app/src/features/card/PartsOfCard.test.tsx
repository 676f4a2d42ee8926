import type { UnitPart } from '@hudrik/core/contracts';
import { screen, waitFor } from '@testing-library/react-native';
import { LOG, STEPS, taking } from '@/testing/cardReply';
import { order, part, partLine } from '@/testing/samples';
import { goneText, IVO, press, refusal, show, type } from '@/testing/screen';
import { CardScreen } from './CardScreen';

const withParts = (...parts: ReturnType<typeof partLine>[]) => taking([STEPS], { parts });
const NUMBER = 'Part number, today’s or any earlier one';

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
    expect(screen.getByText('Asked for as TV-1180, which is now TV-1182.')).toBeTruthy();
    expect(screen.getByText(/^on order, late, now expected /)).toBeTruthy();
  });

  test('what is reserved is used; what is used is given back', async () => {
    const server = show(
      <CardScreen jobId="7" />,
      withParts(partLine({ state: 'reserved' }), partLine({ id: 'line-2', state: 'used', name: 'Plug' })),
    );
    await press('Used: Gasket set');
    await press('Give back: Plug');
    await waitFor(() =>
      expect(server.sent.map(({ path, body }) => [path, body['kind'], body['lineId'], body['facts']])).toEqual([
        ['/api/log', 'part-line-changed', 'line-1', { action: 'use' }],
        ['/api/log', 'part-line-changed', 'line-2', { action: 'return' }],
      ]),
    );
  });

  test('what somebody else did with it meanwhile is said, and waits in no list', async () => {
    show(<CardScreen jobId="7" />, {
      ...withParts(partLine({ state: 'reserved' })),
      [LOG]: refusal(409, 'part-line-moved', {}, 'Somebody changed that part meanwhile.'),
    });
    await press('Used: Gasket set');
    expect(await screen.findByText(/Somebody changed that part meanwhile/)).toBeTruthy();
    await goneText(/^Not taken/);
  });

  test('without a connection a line says that its change is not sent, and is changed no more', async () => {
    const server = show(<CardScreen jobId="7" />, withParts(partLine({ state: 'reserved' })));
    await screen.findByText('reserved on the shelf, Shelf 3');
    server.isAway = true;
    await press('Used: Gasket set');
    expect(await screen.findByText('Your change is not sent yet.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Used: Gasket set' })).toBeNull();
  });

  test('what is wanted is ordered at once; a supplier that is away keeps the order', async () => {
    const server = show(<CardScreen jobId="7" />, {
      ...withParts(partLine(), partLine({ id: 'line-2' })),
      'POST /api/orders': order({ state: 'sending', supplierRef: null, problem: 'away' }),
    });
    await press('Order these 2');
    await waitFor(() => expect(server.sent[0]?.body['lines']).toEqual(['line-1', 'line-2']));
    expect(await screen.findByText('The supplier cannot be reached.')).toBeTruthy();
    expect(screen.getByText('The order is kept, and sent again by itself.')).toBeTruthy();
  });

  test('an apprentice asks for parts and orders none', async () => {
    show(<CardScreen jobId="7" />, withParts(partLine()), { ...IVO, role: 'apprentice' });
    expect(await screen.findByRole('button', { name: 'Ask for a part' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Order it' })).toBeNull();
  });
});

describe('asking for a part', () => {
  const quote = (more: object) => ({
    asked: 'TV-1180',
    number: 'TV-1180',
    through: [],
    name: null,
    obtainable: false,
    cents: null,
    leadDays: null,
    problem: null,
    askedAt: '2030-03-04T09:00:00Z',
    answeredAt: '2030-03-04T09:00:01Z',
    ...more,
  });
  const asking = (answers: () => object) => ({
    ...withParts(),
    'POST /api/parts/TV-1180/quote': () => quote({ answeredAt: null }),
    'GET /api/parts/TV-1180/quote': answers,
    'GET /api/parts': { parts: [], today: null },
    'POST /api/parts': { parts: [part('TV-1182')], today: null },
  });

  test('any number is asked for; the supplier’s word comes first, and puts a new number into the catalogue', async () => {
    const known = quote({
      number: 'TV-1182',
      through: ['TV-1180'],
      name: 'Gasket set',
      obtainable: true,
      cents: 790,
      leadDays: 3,
    });
    const server = show(
      <CardScreen jobId="7" />,
      asking(() => known),
    );
    await press('Ask for a part');
    type(NUMBER, '?');
    await press('Ask the supplier');
    expect(await screen.findByText(/^A part number/)).toBeTruthy();
    type(NUMBER, 'tv-1180');
    await press('One more');
    await press('Ask the supplier');
    expect(await screen.findByText('TV-1180 is now TV-1182. Gasket set: $7.90, delivered in 3 days.')).toBeTruthy();
    expect(screen.getByText(/^The supplier’s answer of /)).toBeTruthy();
    await press('Ask for it');
    await waitFor(() =>
      expect(server.sent.map((one) => one.path)).toEqual(['/api/parts/TV-1180/quote', '/api/parts', '/api/log']),
    );
    expect(server.sent[2]?.body).toMatchObject({
      kind: 'part-asked',
      jobId: '7',
      facts: { number: 'TV-1180', count: 2 },
    });
  });

  test('an answer of before counts only once the supplier has been asked anew', async () => {
    let asked = 0;
    show(
      <CardScreen jobId="7" />,
      asking(() =>
        quote(asked++ < 1 ? { answeredAt: '2030-03-01T00:00:00Z', problem: 'slow' } : { problem: 'not-known' }),
      ),
    );
    await press('Ask for a part');
    type(NUMBER, 'TV-1180');
    await press('Ask the supplier');
    expect(await screen.findByText('Asking the supplier…')).toBeTruthy();
    expect(await screen.findByText('The supplier does not know that number.')).toBeTruthy();
  });

  test.each([
    [{}, 'No longer available. Repair it, fit an exchange part, or retire the unit.'],
    [{ problem: 'slow' }, 'The supplier did not answer in time.'],
    [{ problem: 'nonsense' }, 'The supplier’s answer could not be understood.'],
    [{ problem: 'refused: closed account' }, 'The supplier refused: closed account.'],
  ])('the supplier says %j', async (said, words) => {
    show(
      <CardScreen jobId="7" />,
      asking(() => quote(said)),
    );
    await press('Ask for a part');
    type(NUMBER, 'TV-1180');
    await press('Ask the supplier');
    expect(await screen.findByText(words)).toBeTruthy();
  });
});

describe('parts of the unit’s model', () => {
  const ofModel = (name: string, more: Partial<UnitPart> = {}): UnitPart => ({
    name,
    place: 'Carburettor',
    count: 1,
    kit: '',
    number: null,
    today: null,
    cents: null,
    paid: null,
    free: 0,
    ...more,
  });
  const PARTS = [
    ofModel('Gasket set', {
      number: 'TV-1180',
      today: 'TV-1182',
      cents: 790,
      paid: { cents: 650, at: '2030-01-01T00:00:00Z' },
    }),
    ofModel('Float needle', { kit: 'Needle set' }),
    ofModel('Bowl seal', { kit: 'Needle set', count: 2 }),
  ];
  const withModel = () => ({
    ...taking([STEPS]),
    'GET /api/units/GE-07/parts': { model: { id: 7, make: 'Tuvellan', name: 'Lantern 5' }, parts: PARTS },
  });
  const factsSent = (server: ReturnType<typeof show>) =>
    server.sent.map(({ body }) => {
      const { number, name, count } = body['facts'] as Record<string, unknown>;
      return [body['kind'], number ?? name, count];
    });

  test('are offered by name and place with what they are today, cost, and cost last; a tap fills in the number', async () => {
    const server = show(<CardScreen jobId="7" />, withModel());
    await press('Ask for a part');
    expect(await screen.findByText('TV-1182 · was TV-1180 · $7.90 · last paid $6.50')).toBeTruthy();
    await press('Gasket set, Carburettor');
    expect(screen.getByLabelText(NUMBER).props.value).toBe('TV-1180');
    await press('Ask for it');
    await waitFor(() => expect(factsSent(server)).toEqual([['part-asked', 'TV-1180', 1]]));
  });

  test('one whose number nobody knows is needed by its name', async () => {
    const server = show(<CardScreen jobId="7" />, withModel());
    await press('Ask for a part');
    await press('Bowl seal, Carburettor');
    expect(screen.queryByLabelText(NUMBER)).toBeNull();
    await press('Ask for it');
    await waitFor(() => expect(factsSent(server)).toEqual([['part-asked', 'Bowl seal', 2]]));
  });

  test('a set is asked for in one go', async () => {
    const server = show(<CardScreen jobId="7" />, withModel());
    await press('Ask for a part');
    await press('Float needle, Carburettor');
    await press(/^Ask for the whole set: Needle set/);
    await waitFor(() =>
      expect(factsSent(server)).toEqual([
        ['part-asked', 'Float needle', 1],
        ['part-asked', 'Bowl seal', 2],
      ]),
    );
  });

  test('a line without a number has no price and is not ordered; its number is added with what was paid', async () => {
    const server = show(
      <CardScreen jobId="7" />,
      withParts(partLine({ number: 'UNKNOWN-12AB34CD', asked: 'UNKNOWN-12AB34CD', name: 'Bowl seal', cents: 0 })),
    );
    expect(await screen.findByText('Needed, number unknown: no price, and nothing to order yet.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Order it' })).toBeNull();
    await press('Its number: Bowl seal');
    type('Part number', 'tv-3377');
    type('What was paid for one (optional)', '3,10');
    await press('Keep the number');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        kind: 'part-numbered',
        lineId: 'line-1',
        facts: { number: 'TV-3377', paidCents: 310 },
      }),
    );
  });
});

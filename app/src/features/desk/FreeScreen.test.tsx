import type { UnitLine } from '@hudrik/core/contracts';
import { screen, waitFor } from '@testing-library/react-native';
import { IVO, press, refusal, show, type Sent } from '@/testing/screen';
import { FreeScreen } from './FreeScreen';

const CLERK = { ...IVO, role: 'counter' } as const;
const line = (tag: string, verdict: UnitLine['verdict'], more: Partial<UnitLine> = {}): UnitLine => ({
  tag,
  classId: 'pressure-washer',
  model: { make: 'Tuvellan', name: 'Torrent 9' },
  serial: 'S-1',
  homeBay: '1',
  verdict,
  readySince: '2030-03-01T09:00:00Z',
  trueHours: 100,
  hoursToOilService: 20,
  oilServiceEvery: 50,
  nextHire: null,
  version: 1,
  ...more,
});
const fit = line('PW-01', { readiness: 'fit', because: [] });
const held = line('PW-02', { readiness: 'held', because: ['The gun drips.'] });

describe('what is free, and fit', () => {
  test('fit ones first, those that are not with why; what is asked goes by class and days', async () => {
    const asked: string[] = [];
    const answer = (sent: Sent) => {
      asked.push(sent.path);
      return { units: sent.path.includes('generator') ? [] : [held, fit] };
    };
    show(<FreeScreen />, { 'GET /api/free': answer }, CLERK);
    expect(await screen.findByText('PW-01')).toBeTruthy();
    expect(screen.getByText(/The gun drips/)).toBeTruthy();
    const tags = screen.getAllByText(/^PW-0/).map((node) => String(node.props['children']));
    expect(tags).toEqual(['PW-01', 'PW-02']);
    await press('Generator');
    expect(await screen.findByText('No generator is free and fit for these days.')).toBeTruthy();
    await press('A week');
    await waitFor(() => expect(asked.length).toBe(3));
    const spanOf = (path: string): number => {
      const query = new URLSearchParams(path.split('?')[1]);
      return (Date.parse(query.get('to') ?? '') - Date.parse(query.get('from') ?? '')) / 3_600_000;
    };
    expect(asked.map(spanOf)).toEqual([32, 32, 176]);
  });

  test('one is booked from its line, for the days that were asked', async () => {
    const server = show(<FreeScreen />, { 'GET /api/free': { units: [fit] }, 'POST /api/hires': { hires: [] } }, CLERK);
    await press('Book PW-01');
    expect(screen.queryByRole('button', { name: 'Book PW-01' })).toBeNull();
    expect(await screen.findByRole('button', { name: 'Book it' })).toBeTruthy();
    await press('Book it');
    // Without a reference nothing is sent.
    expect(server.sent).toEqual([]);
  });

  test('what cannot be fetched says so, and can be asked again', async () => {
    let answers = 0;
    show(<FreeScreen />, { 'GET /api/free': () => (answers++ === 0 ? refusal(503, 'away') : { units: [fit] }) }, CLERK);
    expect(await screen.findByText('What is free cannot be fetched just now.')).toBeTruthy();
    await press(/again/i);
    expect(await screen.findByText('PW-01')).toBeTruthy();
  });
});

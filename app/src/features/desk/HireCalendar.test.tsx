import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { CalendarHire, HireCalendar as Calendar } from '@hudrik/core/contracts';
import { IVO, press, refusal, show } from '@/testing/screen';
import { HiresScreen } from './HiresScreen';
import { labelOf, sayHelp, sayHires } from './sayHire';

const LEAD = { ...IVO, role: 'lead' } as const;
const CLERK = { ...IVO, role: 'counter' } as const;
const day = (ahead: number): string => new Date(Date.now() + ahead * 86_400_000).toISOString();
const hire = (reference: string, more: Partial<CalendarHire> = {}): CalendarHire => ({
  reference,
  classId: 'generator',
  state: 'booked',
  fromAt: day(1),
  toAt: day(3),
  hirer: '',
  tag: 'GE-01',
  isOwn: true,
  overruns: false,
  help: null,
  ...more,
});
const calendar: Calendar = {
  now: day(0),
  units: [
    { tag: 'GE-01', classId: 'generator', readiness: 'fit', dueInDays: 2 },
    { tag: 'GE-02', classId: 'generator', readiness: 'held', dueInDays: null },
    { tag: 'WE-01', classId: 'welder', readiness: 'fit', dueInDays: null },
  ],
  hires: [
    hire('B-1'),
    hire('B-2', { tag: 'GE-02', isOwn: false, overruns: true, fromAt: day(4), toAt: day(5) }),
    hire('B-3', { tag: null, isOwn: false, help: { visit: 'GE-02', swap: null } }),
  ],
};
const desk = { answeredAt: day(0), problem: null, hires: 2, notTaken: [], refused: 0, bursts: [] };
const replies = {
  'GET /api/hires': { hires: [] },
  'GET /api/hires/calendar': calendar,
  'GET /api/desk': desk,
  'PATCH /api/hires/B-2': calendar,
};

describe('the calendar of hires', () => {
  test('what has no unit comes first, with what would help', async () => {
    show(<HiresScreen />, replies, CLERK);
    expect(await screen.findByText('0 out, 3 booked. 1 has no unit.')).toBeTruthy();
    expect(screen.getByText(/^B-3, any generator, .*: no unit\.$/)).toBeTruthy();
    expect(screen.getByText('GE-02 would be ready if its visit came first: the bench works towards it.')).toBeTruthy();
  });

  test('what the sum gave is overruled by hand', async () => {
    const server = show(<HiresScreen />, replies, CLERK);
    await screen.findByText('no unit');
    fireEvent(screen.getByLabelText('Class').parent?.parent ?? screen.root, 'layout', {
      nativeEvent: { layout: { width: 800 } },
    });
    await press('Change B-3');
    expect(await screen.findByText('Change it')).toBeTruthy();
    await press('GE-02');
    server.replies['PATCH /api/hires/B-3'] = calendar;
    await press('Change the hire');
    await waitFor(() => expect(server.sent.find(({ method }) => method === 'PATCH')?.body).toEqual({ tag: 'GE-02' }));
  });

  test('words', () => {
    expect(sayHelp({ classId: 'generator', help: { visit: null, swap: null } })).toBe(
      'No generator is free, and none can be made ready by then.',
    );
    expect(
      sayHelp({ classId: 'generator', help: { visit: null, swap: { reference: 'B-9', from: 'GE-01', to: 'GE-03' } } }),
    ).toBe('B-9 could go with GE-03; then GE-01 is free.');
    expect(sayHires({ hires: [hire('B-1', { state: 'out' })] })).toBe('1 out, 0 booked.');
    expect(labelOf(hire('B-2', { isOwn: false, overruns: true }))).toMatch(
      /^B-2: GE-01, given by the sum, .*, a service runs out$/,
    );
  });

  test('the booking desk: read, away, and what was not taken', async () => {
    show(<HiresScreen />, replies, CLERK);
    expect(await screen.findByText(/^The booking desk was read .*, 2 hires of its own\.$/)).toBeTruthy();
    screen.unmount();
    const notTaken = [
      { line: 8, uid: 'D-1', problem: 'hire-overlaps', reference: null },
      { line: 20, uid: null, problem: 'odd-signs', reference: null },
      { line: null, uid: 'D-3@desk', problem: 'vanished', reference: 'D-3' },
    ];
    const reply = { ...desk, problem: 'away', notTaken, refused: 5 };
    show(<HiresScreen />, { ...replies, 'GET /api/desk': reply }, CLERK);
    expect(await screen.findByText(/^The booking desk cannot be reached\. .* stands\.$/)).toBeTruthy();
    await press('5 not taken');
    for (const line of [
      'D-1 (line 8) would overlap another hire of that unit.',
      'An entry (line 20) holds signs that are none.',
      'D-3 is in its list no more; cancel it here if it is off.',
      'And 2 more.',
    ])
      expect(screen.getByText(line)).toBeTruthy();
  });

  test('far more of a class at once than there are: a lead says that it is meant, others read it', async () => {
    const bursts = [{ classId: 'generator', units: 2, atOnce: 40, at: day(3), count: 38 }];
    const reply = { ...desk, bursts };
    const path = 'PUT /api/desk/at-once/generator';
    show(<HiresScreen />, { ...replies, 'GET /api/desk': reply }, CLERK);
    expect(
      await screen.findByText(/^38 hires held back, Generator: 40 would be away at once on .*yard has 2\./),
    ).toBeTruthy();
    expect(screen.queryByText(/^It is meant/)).toBeNull();
    screen.unmount();
    const server = show(<HiresScreen />, { ...replies, 'GET /api/desk': reply, [path]: desk }, LEAD);
    await press('It is meant: take up to 40 at once');
    await waitFor(() => expect(server.sent).toMatchObject([{ body: { atOnce: 40 } }]));
  });

  test('a calendar that cannot be fetched leaves the list as it is', async () => {
    show(<HiresScreen />, { ...replies, 'GET /api/hires/calendar': refusal(503, 'store-away') }, CLERK);
    expect(await screen.findByText('0 out, 0 booked.')).toBeTruthy();
  });
});

import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { ZoneShift } from '@hudrik/core/contracts';
import { IVO, press, show } from '@/testing/screen';
import { YardSettings } from './YardSettings';
import { sayShift } from './ZoneSheet';

const LEAD = { ...IVO, role: 'lead' } as const;
const shift = (more: Partial<ZoneShift> = {}): ZoneShift => ({
  ...{ minutes: 120, deskHires: 0 },
  opens: { before: '2030-05-06T07:30:00Z', after: '2030-05-06T05:30:00Z' },
  backup: { before: '2030-05-07T02:00:00Z', after: '2030-05-07T00:00:00Z' },
  ...more,
});

describe('another time zone of the yard', () => {
  test('how far the clock is put, and which way', () => {
    expect(sayShift(shift())[0]).toMatch(/ 2 h later than now\./);
    expect(sayShift(shift({ minutes: -345 }))[0]).toMatch(/ 5 h 45 min earlier than now\./);
    expect(sayShift(shift({ minutes: 0 }))[0]).toMatch(/^Just now both show the same time\./);
  });

  test('what opens, is written and moves', () => {
    expect(sayShift(shift({ deskHires: 1 })).join(' ')).toMatch(
      /The next shift begins .* not .*backup .* not .*1 booked hire .* names no zone/,
    );
    expect(sayShift(shift({ deskHires: 7 })).join(' ')).toContain('7 booked hires');
    expect(sayShift(shift({ opens: null })).join(' ')).not.toContain('shift begins');
  });

  const settings = { yard: 'Skarrow', currency: 'USD', locale: 'en-US', timeZone: 'UTC', kitPrices: {} };
  const replies = { 'GET /api/settings': settings, 'PUT /api/settings': settings, 'GET /api/settings/zone': shift() };

  test('is saved only after that was read; any other setting at once', async () => {
    const server = show(<YardSettings />, replies, LEAD);
    fireEvent.changeText(await screen.findByLabelText('Time zone'), 'Europe/Berlin');
    await press('Save for the whole yard');
    expect(await screen.findByText(/2 h later than now/)).toBeTruthy();
    expect(server.sent).toHaveLength(0);
    await press('Leave it as it is');
    expect(screen.queryByText(/2 h later than now/)).toBeNull();
    expect(server.sent).toHaveLength(0);
    fireEvent.changeText(screen.getByLabelText('Time zone'), 'UTC');
    fireEvent.changeText(screen.getByLabelText('Name'), 'Skarrow Tool Hire');
    await press('Save for the whole yard');
    await waitFor(() => expect(server.sent).toMatchObject([{ body: { yard: 'Skarrow Tool Hire', timeZone: 'UTC' } }]));
  });
});

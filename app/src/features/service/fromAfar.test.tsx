import { screen, waitFor } from '@testing-library/react-native';
import type { EquipmentReply, FromAfar } from '@hudrik/core/contracts';
import { press, show } from '@/testing/screen';
import { EquipmentLine } from './EquipmentLine';
import { HoursFromAfar } from './HoursFromAfar';
import { sayFromAfar } from './sayFromAfar';

const ago = (hours: number): string => new Date(Date.now() - hours * 3_600_000).toISOString();
const told = (more: Partial<FromAfar> = {}): FromAfar => ({
  ...{ told: 412.6, toldAt: ago(2), problem: null, reading: 412.6, readAt: ago(2) },
  ...{ latitude: null, longitude: null, isSilent: false },
  ...more,
});
const equipment = (more: Partial<EquipmentReply> = {}): EquipmentReply => ({
  ...{ answeredAt: ago(0.1), problem: null, machines: 9, notTaken: [], refused: 0, silent: [], odd: [] },
  ...more,
});

describe('hours from afar', () => {
  test('of one unit: what it told, what of it counts, where it was, and that it is silent', () => {
    expect(sayFromAfar(told()).hours).toBe('From afar: 412.6 h, 2 hours ago.');
    expect(sayFromAfar(told({ told: 409, problem: 'below-last', readAt: ago(5) }))).toEqual({
      hours:
        'From afar it told 409.0 2 hours ago, below its last reading: not counted. Its 412.6 of 5 hours ago counts.',
      place: null,
      isWrong: true,
    });
    show(<HoursFromAfar of={told({ isSilent: true, latitude: -48.88001, longitude: -123.39 })} />, {});
    expect(screen.getByText('From afar: 412.6 h, 2 hours ago. Silent since.')).toBeTruthy();
    expect(screen.getByText('It was at -48.8800, -123.3900')).toBeTruthy();
  });

  test('of the yard: who is silent, whose hours cannot be, what is not ours; read again at a tap', async () => {
    const reply = equipment({
      silent: [{ tag: 'GE-01', toldAt: ago(96) }],
      odd: [{ tag: 'GE-02', problem: 'faster-than-clock', told: 99 }],
      refused: 1,
      notTaken: [{ line: 12, name: 'device 4', problem: 'not-ours' }],
    });
    const server = show(<EquipmentLine />, { 'GET /api/equipment': reply, 'POST /api/equipment/read': reply });
    expect(await screen.findByText(/Hours from afar were read .*: 9 machines tell their own\./)).toBeTruthy();
    await press('3 to look at');
    expect(screen.getByText('GE-01 is silent: it told its hours last 4 days ago.')).toBeTruthy();
    expect(screen.getByText('GE-02 told 99.0, more than the clock allows: not counted.')).toBeTruthy();
    expect(screen.getByText('device 4 (line 12) is no unit of ours.')).toBeTruthy();
    await press('Read it now');
    await waitFor(() => expect(server.sent).toHaveLength(1));
  });

  test('a feed that cannot be reached: what was told last stands', async () => {
    show(<EquipmentLine />, { 'GET /api/equipment': equipment({ problem: 'away', answeredAt: ago(3) }) });
    expect(
      await screen.findByText(
        'The machines’ feed cannot be reached. Hours from afar were read 3 hours ago; what was told then stands.',
      ),
    ).toBeTruthy();
  });
});

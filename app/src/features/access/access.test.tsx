import type { Access } from '@hudrik/core/contracts';
import { screen, waitFor } from '@testing-library/react-native';
import { IVO, press, show, type } from '@/testing/screen';
import { AccessNotice } from './AccessNotice';
import { AccessScreen } from './AccessScreen';

const LEAD = { ...IVO, role: 'lead' } as const;
const AT = '2030-03-04T09:00:00Z';
const session = (id: number, more: Partial<Access['sessions'][number]> = {}) => ({
  ...{ id, personId: IVO.id, person: IVO.name, device: 'Bench PC', beganAt: AT, seenAt: AT, isThis: id === 1 },
  ...more,
});
const access = (more: Partial<Access> = {}): Access => ({
  ...{ device: 7, isPinShort: false, sessions: [session(1)], devices: [], wrongPins: [] },
  ...more,
});
const wrong = { personId: IVO.id, person: IVO.name, device: 'Shed phone', count: 4, lastAt: AT, isNew: true };
const device = (id: number, name: string) => ({
  id,
  name,
  letInAt: AT,
  letInBy: 'Runa Veldt',
  seenAt: AT,
  signedIn: 1,
});

describe('devices and sign-ins', () => {
  test('one’s own: signed out elsewhere at a tap; no devices, no codes', async () => {
    const server = show(<AccessScreen />, {
      'GET /api/access': access({ sessions: [session(1), session(2, { device: 'Shed phone' })] }),
      'DELETE /api/sessions/2': access(),
    });
    expect(await screen.findByText('Signed in 2 times.')).toBeTruthy();
    expect(screen.queryByText('Let a device in')).toBeNull();
    await press(`Sign out ${IVO.name} on Shed phone`);
    await waitFor(() => expect(server.sent.length).toBe(1));
  });

  test('a lead lets a device in by a code, and puts one out after being asked', async () => {
    const trust = { url: 'http://yard.test:4781', fingerprint: 'AB12 CD34' };
    const address = 'https://192.0.2.7:4780';
    const code = { trust, address, code: 'ABCD2345', expiresAt: new Date(Date.now() + 600_000).toISOString() };
    const server = show(
      <AccessScreen />,
      {
        'GET /api/access': access({ devices: [device(7, 'Bench PC'), device(8, 'Shed phone')] }),
        'POST /api/device-codes': code,
        'DELETE /api/devices/8': access(),
      },
      LEAD,
    );
    await press('Let a device in');
    expect(await screen.findByText('ABCD 2345')).toBeTruthy();
    expect(screen.getByText(/^(10:00|9:5\d) left$/)).toBeTruthy();
    expect(screen.getByText('AB12 CD34')).toBeTruthy();
    // A phone reaches what the server says, not the name by which this page was opened.
    expect(screen.getByText('Scan it with the new device, or open 192.0.2.7:4780 there and type it.')).toBeTruthy();
    await press('Put out Shed phone');
    expect(screen.getByText(/^Whoever is signed in on it is signed out\./)).toBeTruthy();
    await press('Put Shed phone out');
    await waitFor(() => expect(server.sent.length).toBe(2));
  });

  test('a code that only this machine could use says so', async () => {
    const code = { trust: null, address: 'http://localhost:4780', code: 'ABCD2345' };
    const expiresAt = new Date(Date.now() + 600_000).toISOString();
    show(<AccessScreen />, { 'GET /api/access': access(), 'POST /api/device-codes': { ...code, expiresAt } }, LEAD);
    await press('Let a device in');
    expect(await screen.findByText(/^This address means this machine alone\./)).toBeTruthy();
  });

  test('a PIN that is guessed easily is said before it is sent', async () => {
    const server = show(<AccessScreen />, {
      'GET /api/access': access({ isPinShort: true }),
      'PUT /api/session/pin': IVO,
    });
    expect(await screen.findByText(/^Your PIN is of the short kind/)).toBeTruthy();
    await type('The one you have now', '1207');
    await type('The new one', '123456');
    await press('Change it');
    expect(await screen.findByText('No run of figures, as 123456.')).toBeTruthy();
    await type('The new one', '471183');
    await press('Change it');
    await waitFor(() => expect(server.sent[0]?.body).toEqual({ old: '1207', fresh: '471183' }));
  });

  test('wrong PINs are told until their owner has seen them', async () => {
    const server = show(<AccessScreen />, {
      'GET /api/access': access({ wrongPins: [wrong] }),
      'POST /api/session/wrong-pins-seen': {},
    });
    expect(await screen.findByText('Signed in here alone; wrong PINs came in.')).toBeTruthy();
    await press('That was me');
    await waitFor(() => expect(server.sent.length).toBe(1));
  });

  test('on the shift in one line, or not at all', async () => {
    show(<AccessNotice />, { 'GET /api/access': access({ wrongPins: [wrong] }) });
    expect(await screen.findByText(`4 wrong PINs came in for ${IVO.name}, on Shed phone.`)).toBeTruthy();
  });
});

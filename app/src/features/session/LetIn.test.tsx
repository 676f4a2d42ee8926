import { screen } from '@testing-library/react-native';
import { press, refusal, show, type } from '@/testing/screen';
import { LetIn } from './LetIn';

describe('a device that is not let in', () => {
  test('takes the code and a name; a code that is over is said', async () => {
    const server = show(<LetIn code="abcd2345" />, {
      'POST /api/devices': refusal(404, 'wrong-code', {}, 'That code is over.'),
    });
    expect(screen.getByText('Name this device.')).toBeTruthy();
    await type('What this device is called', ' Shed phone ');
    await press('Let it in');
    expect(await screen.findByText(/That code is over/)).toBeTruthy();
    expect(server.sent[0]?.body).toEqual({ code: 'abcd2345', name: 'Shed phone' });
  });
});

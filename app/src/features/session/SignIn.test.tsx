import AsyncStorage from '@react-native-async-storage/async-storage';
import { screen, waitFor } from '@testing-library/react-native';
import { press, refusal, show, type } from '@/testing/screen';
import { SignIn } from './SignIn';

const options = (more: object = {}) => ({
  yard: 'Ferry landing',
  demo: false,
  wantsFirstLead: false,
  isLetIn: true,
  people: [{ id: 2, name: 'Ivo Tarnwell', role: 'technician', demoPin: null }],
  ...more,
});

describe('signing in', () => {
  test('a name, then its PIN; a wrong one is said', async () => {
    const server = show(<SignIn />, {
      'GET /api/sign-in-options': options(),
      'POST /api/session': refusal(401, 'wrong-pin', { seconds: 5 }, 'That name and PIN do not go together.'),
    });
    await press(/^Ivo Tarnwell/);
    type('PIN or password', '120');
    expect(screen.getByRole('button', { name: 'Sign in', disabled: true })).toBeTruthy();
    type('PIN or password', '1208');
    await press('Sign in');
    await waitFor(() => expect(server.sent[0]?.body).toEqual({ personId: 2, pin: '1208' }));
    expect(await screen.findByText(/That name and PIN do not go together/)).toBeTruthy();
    expect(await screen.findByText('Wait 5 s after so many wrong ones.')).toBeTruthy();
    await press('Another name');
    expect(screen.getByRole('button', { name: /^Ivo Tarnwell/ })).toBeTruthy();
  });

  test('the demo’s people come in by one tap', async () => {
    const server = show(<SignIn />, {
      'GET /api/sign-in-options': options({
        people: [{ id: 2, name: 'Ivo Tarnwell', role: 'technician', demoPin: '1207' }],
      }),
      'POST /api/session': { id: 2 },
    });
    await press(/^Ivo Tarnwell/);
    await waitFor(() => expect(server.sent[0]?.body).toEqual({ personId: 2, pin: '1207' }));
  });

  test('what somebody else read on this device is not left for who signs in; what they made is', async () => {
    await AsyncStorage.multiSet([
      ['hudrik-read-["shift",{},{}]', '{}'],
      ['hudrik-draft', 'Runa’s'],
    ]);
    show(<SignIn />, { 'GET /api/sign-in-options': options(), 'POST /api/session': { id: 2 } });
    await press(/^Ivo Tarnwell/);
    type('PIN or password', '1208');
    await press('Sign in');
    await waitFor(async () => expect(await AsyncStorage.getAllKeys()).toEqual(['hudrik-draft']));
  });

  test('a device that was not let in sees nobody’s name', async () => {
    show(<SignIn />, { 'GET /api/sign-in-options': options({ isLetIn: false, people: [] }) });
    expect(await screen.findByText('Let this device in')).toBeTruthy();
  });

  test('an empty yard says how its first lead is made', async () => {
    show(<SignIn />, { 'GET /api/sign-in-options': options({ people: [], wantsFirstLead: true }) });
    expect(await screen.findByText(/^There are no people yet\./)).toBeTruthy();
  });

  test('a server that is away says what is kept', async () => {
    show(<SignIn />, { 'GET /api/sign-in-options': refusal(503, 'store-away') });
    expect(await screen.findByText('What you entered on this device is kept.')).toBeTruthy();
  });
});

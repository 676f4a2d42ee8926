import { screen } from '@testing-library/react-native';
import { router } from 'expo-router';
import { Text } from 'react-native';
import { press, show } from '@/testing/screen';
import { ScreenBoundary } from './ScreenBoundary';

let isBroken = true;
function Fragile() {
  if (isBroken) throw new Error('no mark for Dry');
  return <Text>All well</Text>;
}

describe('a screen that breaks', () => {
  beforeEach(() => {
    isBroken = true;
    // React tells the console too: here that is expected.
    jest.spyOn(console, 'error').mockImplementation(() => undefined);
  });
  afterEach(() => jest.restoreAllMocks());

  test('says so, for the person and for whoever looks after it, and can be tried again', async () => {
    show(
      <ScreenBoundary path="/u/GE-07">
        <Fragile />
      </ScreenBoundary>,
      {},
    );
    expect(await screen.findByText('This screen cannot be shown.')).toBeTruthy();
    expect(screen.getByText(/no mark for Dry/)).toBeTruthy();
    await press('To the shift');
    expect(router.replace).toHaveBeenLastCalledWith('/');
    isBroken = false;
    await press('Try it again');
    expect(await screen.findByText('All well')).toBeTruthy();
  });
});

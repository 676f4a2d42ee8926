import { screen } from '@testing-library/react-native';
import { useState } from 'react';
import { Button, Words } from '@/design';
import { press, show } from '@/testing/screen';
import { WritingGate } from './WritingGate';
import { sayMoney } from './writing';

/** What a person does in a form: it is theirs until they send it. */
function Form() {
  const [looks, setLooks] = useState(0);
  return (
    <>
      <Button label="Oil at the mark" onPress={() => setLooks(looks + 1)} />
      <Words>{`${looks} looks at ${sayMoney(100)}`}</Words>
    </>
  );
}

const YARD = { yard: 'Y', currency: 'EUR', locale: 'de-DE', timeZone: 'UTC' };

test('nothing that is tapped is lost when the yard’s way of writing comes: nothing is there to tap before', async () => {
  let come: (settings: object) => void = () => undefined;
  const coming = new Promise<object>((resolve) => (come = resolve));
  show(
    <WritingGate>
      <Form />
    </WritingGate>,
    { 'GET /api/settings': () => coming },
  );
  expect(await screen.findByText('Fetching your yard…')).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Oil at the mark' })).toBeNull();
  come(YARD);
  await press('Oil at the mark');
  expect(await screen.findByText(/^1 looks at 1,00\s€$/)).toBeTruthy();
});

test('without a server it is written as before: nobody waits for it', async () => {
  const server = show(
    <WritingGate>
      <Form />
    </WritingGate>,
    { 'GET /api/settings': YARD },
  );
  server.isAway = true;
  await press('Oil at the mark');
  expect(await screen.findByText(/^1 looks/)).toBeTruthy();
});

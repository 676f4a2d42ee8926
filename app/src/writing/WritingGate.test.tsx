import { screen, waitFor } from '@testing-library/react-native';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Button, Words } from '@/design';
import { press, show } from '@/testing/screen';
import { WritingGate } from './WritingGate';
import { sayMoney } from './writing';

/** What a person does in a form: it is theirs until they send it. */
function Form() {
  const [looks, setLooks] = useState(0);
  const client = useQueryClient();
  return (
    <>
      <Button label="Oil at the mark" onPress={() => setLooks(looks + 1)} />
      <Button label="Read anew" onPress={() => void client.invalidateQueries()} />
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

const away = (): never => {
  throw new TypeError('Network request failed');
};

test('without a server it is written as before: nobody waits for it', async () => {
  show(
    <WritingGate>
      <Form />
    </WritingGate>,
    { 'GET /api/settings': away },
  );
  await press('Oil at the mark');
  expect(await screen.findByText(/^1 looks/)).toBeTruthy();
});

test('what was shown without a server stays while it is asked again', async () => {
  let asked = 0;
  show(
    <WritingGate>
      <Form />
    </WritingGate>,
    { 'GET /api/settings': () => (asked++ === 0 ? away() : new Promise(() => undefined)) },
  );
  await press('Oil at the mark');
  await press('Read anew');
  await waitFor(() => expect(asked).toBe(2));
  expect(await screen.findByText(/^1 looks/)).toBeTruthy();
  expect(screen.queryByText('Fetching your yard…')).toBeNull();
});

import { WORKS_ON_UNITS } from '@hudrik/core/contracts';
import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { useState } from 'react';
import { Words } from '@/design';
import { press, refusal, show, type } from '@/testing/screen';
import { photosOf, secondIn, SecondPerson, type Second } from '.';

// Without a browser there is nothing to shrink with: what was chosen is taken as it is.
jest.mock('@/photos/shrinkPhoto', () => ({ shrinkPhoto: async (file: Blob) => file }));

const PEOPLE = [
  { id: 2, name: 'Ivo Tarnwell', role: 'technician' },
  { id: 4, name: 'Pell Quist', role: 'apprentice' },
  { id: 5, name: 'Lise Borrowby', role: 'counter' },
];
const OPTIONS = { 'GET /api/sign-in-options': { people: PEOPLE } };

/** Whoever asks for a second person shows here what they would send. */
function Asking({ wantsPhoto = false }: { readonly wantsPhoto?: boolean }) {
  const [second, setSecond] = useState<Second | null>(null);
  return (
    <>
      <SecondPerson {...{ sentence: 'Two say so.', who: WORKS_ON_UNITS, wantsPhoto, second, onSecond: setSecond }} />
      <Words>{`Sent: ${JSON.stringify([secondIn(second), photosOf(second).length])}`}</Words>
    </>
  );
}
const sent = (): string => String(screen.getByText(/^Sent: /).props.children);

describe('a second person', () => {
  test('is anybody else who works on units, and says so by their own PIN', async () => {
    const server = show(<Asking />, {
      ...OPTIONS,
      'POST /api/witnesses': { witnessId: 'w-1', name: 'Pell Quist' },
    });
    await press('Pell Quist, apprentice');
    expect(screen.queryByRole('button', { name: /^(Ivo|Lise)/ })).toBeNull();
    type('PIN of Pell Quist', '258');
    expect(screen.getByText('They enter it themselves.')).toBeTruthy();
    type('PIN of Pell Quist', '2580');
    await press('Pell Quist: I have looked too');
    expect(await screen.findByText('✓ Pell Quist has looked too.')).toBeTruthy();
    expect(server.sent.map(({ path, body }) => [path, body])).toEqual([
      ['/api/witnesses', { personId: 4, pin: '2580' }],
    ]);
    expect(sent()).toBe('Sent: [{"witnessId":"w-1"},0]');
  });

  test('a wrong PIN is nobody’s word', async () => {
    show(<Asking />, { ...OPTIONS, 'POST /api/witnesses': refusal(401, 'wrong-pin', {}, 'This PIN is not right.') });
    await press('Pell Quist, apprentice');
    type('PIN of Pell Quist', '0000');
    await press('Pell Quist: I have looked too');
    expect(await screen.findByText(/PIN/, { exact: false })).toBeTruthy();
    await waitFor(() => expect(screen.queryByText(/has looked too\.$/)).toBeNull());
    expect(sent()).toBe('Sent: [{},0]');
  });

  test('alone, why it cannot wait is said; who changes their mind has said nothing', async () => {
    show(<Asking />, OPTIONS);
    await press('Nobody else is here');
    type('Why it cannot wait for a second person', 'Ho');
    expect(sent()).toBe('Sent: [{},0]');
    type('Why it cannot wait for a second person', ' Holiday ');
    expect(sent()).toBe('Sent: [{"alone":{"why":"Holiday","photoId":null}},0]');
    expect(screen.queryByRole('button', { name: 'Photo of it' })).toBeNull();
    await press('Pell Quist, apprentice');
    expect(sent()).toBe('Sent: [{},0]');
  });

  test('alone, and something can be seen: no reason counts without its photo', async () => {
    show(<Asking wantsPhoto />, OPTIONS);
    await press('Nobody else is here');
    type('Why it cannot wait for a second person', 'Holiday');
    expect(sent()).toBe('Sent: [{},0]');
    expect(screen.getByRole('button', { name: 'Photo of it' })).toBeTruthy();
    const file = new File(['x'], 'it.jpg', { type: 'image/jpeg' });
    fireEvent(screen.UNSAFE_getByProps({ type: 'file' }), 'change', { target: { files: [file], value: '' } });
    expect(await screen.findByRole('button', { name: '✓ Photo taken. Another' })).toBeTruthy();
    expect(sent()).toMatch(/^Sent: \[\{"alone":\{"why":"Holiday","photoId":"[0-9a-f-]{36}"\}\},1\]$/);
  });
});

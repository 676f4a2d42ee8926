import { sampleDefect } from '@hudrik/core/contracts/samples';
import { fireEvent, screen, within } from '@testing-library/react-native';
import { useState } from 'react';
import { show } from '@/testing/screen';
import { explainsOf, Ties, type Tied } from './Ties';

const told = (id: string, complaint: string, sentence: string) =>
  sampleDefect({ id, sentence, origin: { kind: 'told', id: complaint } });
const TOLD = [told('t1', 'bogs', 'It bogs under load.'), told('t2', 'kicks-back', 'It kicks back.')];
const CAUSES = ['main-jet-blocked', 'valve-stuck'];

function Sheet({ first = {} }: { readonly first?: Tied }) {
  const [tied, setTied] = useState(first);
  return <Ties told={TOLD} causes={CAUSES} tied={tied} onChange={setTied} />;
}
const isTied = (sentence: string, cause: string): boolean =>
  within(screen.getByLabelText(sentence)).queryByText(`✓ ${cause}`) !== null;

test('is proposed by what the causes show; what none explains is said to stay open; a hand ties and unties', () => {
  show(<Sheet />, {});
  expect(isTied('It bogs under load.', 'Main jet blocked')).toBe(true);
  expect(isTied('It bogs under load.', 'Valve stuck')).toBe(false);
  expect(screen.getByText('Stays open: none of these explains it.')).toBeTruthy();
  const kicks = within(screen.getByLabelText('It kicks back.'));
  fireEvent.press(kicks.getByRole('button', { name: 'Valve stuck' }));
  expect(isTied('It kicks back.', 'Valve stuck')).toBe(true);
  expect(screen.queryByText('Stays open: none of these explains it.')).toBeNull();
  fireEvent.press(kicks.getByRole('button', { name: 'Valve stuck' }));
  expect(isTied('It kicks back.', 'Valve stuck')).toBe(false);
});

test('a cause that is no longer confirmed explains nothing', () => {
  show(<Sheet first={{ t1: ['stale-fuel'], t2: ['valve-stuck'] }} />, {});
  expect(screen.getAllByText('Stays open: none of these explains it.')).toHaveLength(1);
});

test('only what a hand tied otherwise is sent, and then all of it', () => {
  expect(explainsOf(TOLD, CAUSES, {})).toEqual({});
  expect(explainsOf(TOLD, CAUSES, { t2: ['valve-stuck', 'stale-fuel'] })).toEqual({
    explains: { 'main-jet-blocked': ['t1'], 'valve-stuck': ['t2'] },
  });
  expect(explainsOf(TOLD, CAUSES, { t1: [] })).toEqual({
    explains: { 'main-jet-blocked': [], 'valve-stuck': [] },
  });
});

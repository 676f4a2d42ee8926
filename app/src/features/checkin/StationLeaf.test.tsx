import { checksOf, classOf } from '@hudrik/core/catalogue';
import { sampleDefect, sampleOpening } from '@hudrik/core/contracts/samples';
import { nth } from '@hudrik/core/typed';
import { fireEvent, screen } from '@testing-library/react-native';
import { useCallback, useState } from 'react';
import { press, show, type } from '@/testing/screen';
import { startDraft, type Draft } from './draft';
import { FoundBefore, whatIsUnsaid } from './FoundBefore';
import type { LeafProps } from './leaf';
import { PutAway } from './PutAway';
import { StationLeaf } from './StationLeaf';

const NOW = new Date('2030-03-04T09:00:00Z');

/** A leaf with its draft kept, and the newest of it. */
function withDraft(leaf: (props: LeafOf) => React.ReactElement, begun: Draft): { readonly draft: () => Draft } {
  let now = begun;
  function Kept() {
    const [draft, setDraft] = useState(begun);
    now = draft;
    const change = useCallback<LeafProps['change']>(
      (next) => setDraft((before) => ({ ...before, ...(typeof next === 'function' ? next(before) : next) })),
      [],
    );
    return leaf({ draft, change });
  }
  show(<Kept />, {});
  return { draft: () => now };
}
type LeafOf = Pick<LeafProps, 'draft' | 'change'>;

describe('a station', () => {
  const begun = startDraft(sampleOpening(), 'id', NOW);
  const checks = checksOf(classOf('generator'));
  const station = nth(
    classOf('generator').stations.filter((one) => one.checks.some((check) => check.measured !== undefined)),
    0,
  );
  const there = station.checks;
  const measured = there.find((check) => check.measured !== undefined);
  const next = jest.fn();
  const leaf = ({ draft, change }: LeafOf) => (
    <StationLeaf draft={draft} change={change} next={next} stationId={station.id} />
  );

  test('what is measured wants its figure: the way on is off and says which', async () => {
    const kept = withDraft(leaf, begun);
    for (const safety of there.filter((check) => check.kind === 'safety')) await press(`OK: ${safety.words}`);
    const main = await screen.findByRole('button', { name: 'All good here', disabled: true });
    expect(screen.getByText(new RegExp(`^Enter the figure: ${measured?.words.toLowerCase()}`))).toBeTruthy();
    fireEvent.press(main);
    expect(next).not.toHaveBeenCalled();
    for (const { id, words, measured: wanted } of there) {
      if (wanted === undefined) continue;
      const inside = wanted.limit.kind === 'at-most' ? wanted.limit.max : wanted.limit.min;
      type(`${words}, ${wanted.unit}`, `${inside}.0.0`);
      expect(kept.draft().answers[id]).toBeUndefined();
      type(`${words}, ${wanted.unit}`, String(inside));
      expect(kept.draft().answers[id]).toMatchObject({ result: 'ok', reading: { value: inside, unit: wanted.unit } });
    }
    await press('Next');
    expect(next).toHaveBeenCalledTimes(1);
  });

  test('one that does not start is not asked to run; said back, it is asked again', async () => {
    const kept = withDraft(leaf, begun);
    await press('It does not start');
    const runs = checks.filter((check) => check.running);
    expect(runs.length).toBeGreaterThan(0);
    for (const { id } of runs)
      expect(kept.draft().answers[id]).toMatchObject({ result: 'not-possible', because: 'will-not-start' });
    await press('It does not start');
    for (const { id } of runs) expect(kept.draft().answers[id]).toBeUndefined();
  });
});

describe('what was found before', () => {
  const socket = sampleDefect({ id: 'd1' });
  const noise = sampleDefect({ id: 'd2', origin: { kind: 'told', id: 'rough' }, sentence: 'It runs rough.' });
  const begun: Draft = {
    ...startDraft(
      sampleOpening({ defects: [socket], asksAgain: [{ id: noise.id, sentence: noise.sentence, how: 'lived-with' }] }),
      'id',
      NOW,
    ),
    answers: { sockets: { check: 'sockets', result: 'ok', photos: [] } },
  };
  const leafFor = (mayClose: boolean) =>
    function Leaf(props: LeafOf) {
      return <FoundBefore {...props} mayClose={mayClose} />;
    };

  test('is settled with how it came, or left open; without why it does not go on', async () => {
    const kept = withDraft(leafFor(true), begun);
    expect(screen.getByText('Found before, in order now')).toBeTruthy();
    await press('Put right');
    expect(whatIsUnsaid(kept.draft())).toBe('Say how what was found before came to be in order.');
    type('By which work', 'New socket');
    expect(kept.draft().settled).toEqual({ d1: { how: 'put-right', why: 'New socket' } });
    expect(whatIsUnsaid(kept.draft())).toBeNull();
    await press('Was all right');
    expect(kept.draft().settled?.['d1']).toEqual({ how: 'was-all-right', why: 'New socket' });
    await press('Leave it open');
    expect(kept.draft().settled).toEqual({});
  });

  test('what is lived with is asked again', async () => {
    const kept = withDraft(leafFor(true), begun);
    expect(screen.getByText('It is lived with.')).toBeTruthy();
    await press('Yes');
    expect(kept.draft().again).toEqual({ d2: true });
    await press('No');
    expect(kept.draft().again).toEqual({ d2: false });
  });

  test('an apprentice closes nothing, and is asked the same', () => {
    withDraft(leafFor(false), begun);
    expect(screen.queryByText('Found before, in order now')).toBeNull();
    expect(screen.getByText('Did it show again?')).toBeTruthy();
  });
});

test('how it was put away is a tap each, and a second tap takes it back', async () => {
  const onChange = jest.fn();
  show(<PutAway past={{ stored: 'fuel-left' }} onChange={onChange} />, {});
  await press('Half a year');
  expect(onChange).toHaveBeenLastCalledWith({ stored: 'fuel-left', daysStood: 180 });
  await press('With its fuel in');
  expect(onChange).toHaveBeenLastCalledWith({ stored: undefined });
  await press('E10');
  expect(onChange).toHaveBeenLastCalledWith({ stored: 'fuel-left', fuelBlend: 'E10' });
});

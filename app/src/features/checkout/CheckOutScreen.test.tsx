import { classOf, looksOnHandOut } from '@hudrik/core/catalogue';
import type { HireLine, Opening } from '@hudrik/core/contracts';
import { sampleOpening } from '@hudrik/core/contracts/samples';
import { screen, waitFor } from '@testing-library/react-native';
import { LOG, taken } from '@/testing/cardReply';
import { IVO, press, refusal, show, type } from '@/testing/screen';
import { CheckOutScreen } from './CheckOutScreen';

const HOUR = 3_600_000;
const opening = sampleOpening;
const OPENING = 'GET /api/units/GE-07/opening';
const LEAD = { ...IVO, id: 1, name: 'Runa Veldt', role: 'lead' } as const;
const LOOKS = looksOnHandOut(classOf('generator'));
const lookAtAll = async () => {
  for (const { words } of LOOKS) await press(words);
};
/** Counted, and looked at. */
const lookAndCount = async () => {
  await press('Fuel full');
  await press('Counted: all of it goes along');
  await lookAtAll();
};
const hire = (reference: string): HireLine => ({
  reference,
  classId: 'generator',
  tag: 'GE-07',
  fromAt: new Date().toISOString(),
  toAt: new Date(Date.now() + 48 * HOUR).toISOString(),
  state: 'booked',
  outAt: null,
  backAt: null,
  hirer: '',
  phone: '',
});

describe('handing a unit out', () => {
  test.each<[Opening['verdict'], string | RegExp]>([
    [{ readiness: 'held', because: ['Fuel leaks at the tap.', 'A second thing.'] }, /^No\. .*[Ff]uel leaks at the tap/],
    [{ readiness: 'laid-up', because: [] }, /^No\. /],
    [{ readiness: 'gone', because: [] }, /^No\. /],
  ])('no, and why: %j', async (verdict, sentence) => {
    show(<CheckOutScreen tag="GE-07" />, { [OPENING]: opening({ verdict }) });
    expect(await screen.findByText(sentence)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Hand it out' })).toBeNull();
    if (verdict.because.length > 1) expect(screen.getByText('A second thing.')).toBeTruthy();
  });

  test('a unit that is not there says so; a server that is away can be asked again', async () => {
    const server = show(<CheckOutScreen tag="GE-07" />, {
      [OPENING]: refusal(404, 'no-such-tag', {}, 'No unit on this yard has that tag.'),
    });
    expect(await screen.findByText('No unit on this yard has that tag.')).toBeTruthy();
    expect(server.sent).toEqual([]);
  });

  test('a fit unit goes after the last looks, on what is booked', async () => {
    const server = show(<CheckOutScreen tag="GE-07" />, {
      [OPENING]: opening({ nextHire: hire('H-1') }),
      [LOG]: taken,
    });
    const out = await screen.findByRole('button', { name: 'Hand it out' });
    expect(out.props.accessibilityState?.disabled ?? out.props['aria-disabled']).toBe(true);
    expect(screen.getByText(/^H-1, /)).toBeTruthy();
    await lookAndCount();
    await press('Hand it out');
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]?.body).toMatchObject({
      kind: 'check-out',
      tag: 'GE-07',
      facts: {
        hire: 'H-1',
        dueAt: null,
        hours: { typed: '123.4', confirmed: false, meterEvent: null },
        fuelEighths: 8,
        looks: LOOKS.map(({ id }) => id),
        kit: classOf('generator').kit.map(({ id, count }) => ({ id, count })),
        waiverReason: '',
      },
    });
  });

  test('for somebody who walked in: for how long, what goes along, how much fuel', async () => {
    const server = show(<CheckOutScreen tag="GE-07" />, { [OPENING]: opening(), [LOG]: taken });
    await press('3 days');
    await press('Fuel 6/8');
    await press('Counted: all of it goes along');
    await press('Key');
    await lookAtAll();
    await press('Hand it out');
    await waitFor(() => expect(server.sent).toHaveLength(1));
    const facts = server.sent[0]?.body['facts'];
    expect(facts).toMatchObject({ hire: null, fuelEighths: 6 });
    const { dueAt, kit } = Object(facts);
    expect(Math.round((Date.parse(dueAt) - Date.now()) / HOUR)).toBeGreaterThanOrEqual(47);
    expect(kit).toContainEqual({ id: 'key', count: 0 });
  });

  test('hours below the last are not taken; hours too high are, once read again', async () => {
    const server = show(<CheckOutScreen tag="GE-07" />, { [OPENING]: opening(), [LOG]: taken });
    await screen.findByRole('button', { name: 'Hand it out' });
    await lookAndCount();
    type('Hours on the meter', '120');
    expect(await screen.findByText('That is below the last reading, 123.4.')).toBeTruthy();
    await press('Hand it out');
    type('Hours on the meter', '900');
    expect(await screen.findByText('That does not fit the last reading.')).toBeTruthy();
    await press('Hand it out');
    expect(server.sent).toEqual([]);
    await press('I read the meter again: this is right');
    await press('Hand it out');
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]?.body).toMatchObject({ facts: { hours: { typed: '900', confirmed: true } } });
  });

  test('a unit in prep: a technician is sent to the prep, a lead waives it with a reason', async () => {
    const verdict = { readiness: 'prep' as const, because: ['Tank is dirty.'] };
    const inPrep = show(<CheckOutScreen tag="GE-07" />, { [OPENING]: opening({ verdict }), [LOG]: taken });
    expect(await screen.findByText('Do the prep first, or ask a lead to waive it.')).toBeTruthy();
    await lookAndCount();
    await press('Waive the prep and hand it out');
    expect(inPrep.sent).toEqual([]);
  });

  test('what falls due before it is back is said as soon as it is that long; a lead may waive it', async () => {
    const short = opening({ hoursToOilService: 12, use: { shape: 400, rate: 100 } });
    const server = show(<CheckOutScreen tag="GE-07" />, { [OPENING]: short, [LOG]: taken }, LEAD);
    await lookAndCount();
    expect(screen.queryByText(/oil service/)).toBeNull();
    await press('7 days');
    expect(screen.getByText(/^The oil service would run out during this hire: 12 h are left, about 28 h/)).toBeTruthy();
    type('You may waive it: why?', 'The hirer changes its oil');
    await press('Waive the prep and hand it out');
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]?.body).toMatchObject({ facts: { waiverReason: 'The hirer changes its oil' } });
  });

  test('what keeps it from going is said under the button', async () => {
    show(<CheckOutScreen tag="GE-07" />, { [OPENING]: opening(), [LOG]: taken });
    expect(await screen.findByText('Count what goes along.')).toBeTruthy();
    await press('Counted: all of it goes along');
    // Nothing stands there already: what the hirer brings back is held against what somebody saw.
    expect(screen.getByText('Look into the tank: how full is it?')).toBeTruthy();
    expect(screen.queryAllByRole('button', { name: /^Fuel /, selected: true })).toEqual([]);
    await press('Fuel full');
    expect(screen.getByText(`Still to look at: ${LOOKS[0]?.words}`)).toBeTruthy();
    await press(LOOKS[0]?.words ?? '');
    expect(screen.getByText(`Still to look at: ${LOOKS[1]?.words}`)).toBeTruthy();
    type('Hours on the meter', '120');
    expect(await screen.findByText('Settle the hours first.')).toBeTruthy();
  });

  test('what its last proof could not show, for want of a load, is said before it goes', async () => {
    const unproved = { why: 'No snow in July', what: ['minutes'], at: '2030-03-04T09:00:00Z' };
    show(<CheckOutScreen tag="GE-07" />, { [OPENING]: opening({ unproved }) });
    expect(await screen.findByText('Not proved under load')).toBeTruthy();
    expect(screen.getByText(/^minutes under load\. No snow in July, /)).toBeTruthy();
  });

  test('a waiver wants its reason', async () => {
    const verdict = { readiness: 'prep' as const, because: ['Tank is dirty.'] };
    const server = show(<CheckOutScreen tag="GE-07" />, { [OPENING]: opening({ verdict }), [LOG]: taken }, LEAD);
    expect(await screen.findByText('Tank is dirty.')).toBeTruthy();
    await lookAndCount();
    await press('Waive the prep and hand it out');
    expect(await screen.findByText('Say why it may go out before its prep.')).toBeTruthy();
    expect(server.sent).toEqual([]);
    type('You may waive it: why?', ' Only next door ');
    await press('Waive the prep and hand it out');
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]?.body).toMatchObject({ facts: { waiverReason: 'Only next door' } });
  });

  test('what the server will not take is said, and what was entered stays', async () => {
    show(<CheckOutScreen tag="GE-07" />, {
      [OPENING]: opening(),
      [LOG]: refusal(409, 'hire-overlaps', {}, 'That unit is promised to somebody else in that time.'),
    });
    await screen.findByRole('button', { name: 'Hand it out' });
    await lookAndCount();
    type('Hours on the meter', '124.0');
    await press('Hand it out');
    expect(await screen.findByText('That unit is promised to somebody else in that time.')).toBeTruthy();
    expect(screen.getByLabelText('Hours on the meter').props.value).toBe('124.0');
  });
});

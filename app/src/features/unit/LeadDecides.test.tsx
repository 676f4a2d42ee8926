import { checksOf, classOf } from '@hudrik/core/catalogue';
import { sampleDefect } from '@hudrik/core/contracts/samples';
import { screen, waitFor } from '@testing-library/react-native';
import { LOG, taken } from '@/testing/cardReply';
import { pageWith } from '@/testing/samples';
import { goneText, IVO, press, refusal, show, type } from '@/testing/screen';
import { Defects } from './Defects';
import { LeadTools } from './LeadTools';

const LEAD = { ...IVO, role: 'lead' } as const;
const id = '6f1f6a52-1f0e-4f5e-9a55-0c9b2f6f0002';
const worn = sampleDefect({ id, sentence: 'Belt worn.', origin: { kind: 'cause', id: 'belt-worn' }, safety: false });
const fromCheck = (check: string, exception: string) =>
  sampleDefect({ id, sentence: 'Not as it should be.', origin: { kind: 'check', id: check, exception }, safety: true });

const generator = checksOf(classOf('generator'));
/** A check whose thing not every unit has, and one whose thing each has. */
const SPARE = generator.find((check) => check.alwaysThere !== true)?.id ?? '';
const ALWAYS = generator.find((check) => check.alwaysThere === true)?.id ?? '';

describe('what a lead decides of a defect', () => {
  test('worn but usable is lived with: why, and what to watch', async () => {
    const server = show(<Defects page={pageWith([worn])} />, { [LOG]: taken }, LEAD);
    await press('Live with: Belt worn.');
    type('Why it may stay so', 'Runs true');
    await press('Sign: we live with it');
    expect(await screen.findByText(/^Write/)).toBeTruthy();
    type('What to watch', 'Cracks at its edge');
    await press('Sign: we live with it');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        kind: 'lived-with',
        tag: 'GE-07',
        facts: { defectId: id, why: 'Runs true', watch: 'Cracks at its edge' },
      }),
    );
  });

  test('the server’s no is said, and what was written stays', async () => {
    show(
      <Defects page={pageWith([worn])} />,
      { [LOG]: refusal(409, 'not-lived-with', { why: 'not-proved' }, 'Only after a proof that has passed.') },
      LEAD,
    );
    await press('Live with: Belt worn.');
    type('Why it may stay so', 'Runs true');
    type('What to watch', 'Cracks');
    await press('Sign: we live with it');
    expect(await screen.findByText('Only after a proof that has passed.')).toBeTruthy();
    expect(screen.getByLabelText('What to watch').props['value']).toBe('Cracks');
  });

  test('a safety matter is lived with by nobody; nobody but a lead decides', async () => {
    show(<Defects page={pageWith([fromCheck(SPARE, 'missing')])} />, {}, LEAD);
    expect(screen.queryByRole('button', { name: /^Live with/ })).toBeNull();
    expect(screen.getByRole('button', { name: /^Not on this unit/ })).toBeTruthy();
    screen.unmount();
    show(<Defects page={pageWith([worn, fromCheck(SPARE, 'missing')])} />, {});
    expect(screen.queryByRole('button', { name: /^(Live with|Not on this unit)/ })).toBeNull();
  });

  test('not on this unit is offered only for what was found missing, and never for what every unit has', async () => {
    const found = [fromCheck(ALWAYS, 'missing'), fromCheck(SPARE, 'damaged')];
    show(<Defects page={pageWith(found)} />, {}, LEAD);
    expect(await screen.findByRole('button', { name: 'Something else is wrong' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^Not on this unit/ })).toBeNull();
  });

  test('what stays off is none of this unit’s: a photo, where it is known from, and a second person; alone, with a reason', async () => {
    const staysOff = sampleDefect({ id, sentence: 'Stays off: Chain guard.', origin: { kind: 'stays-off', id: 't1' } });
    const server = show(
      <Defects page={pageWith([staysOff])} />,
      { [LOG]: taken, 'GET /api/sign-in-options': { people: [] } },
      LEAD,
    );
    await press('Not on this unit: Stays off: Chain guard.');
    await type('Why it has none', 'Made without');
    await type(/^Known from/, 'Parts list, page 4');
    expect(screen.getByText('A photo of this unit, taken now.')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Sign: it has none', disabled: true })).toBeTruthy();
    expect(server.sent).toEqual([]);
    await press('Nobody else is here');
    expect(await screen.findByText(/^It is marked as done alone/)).toBeTruthy();
  });
});

test('its own rated figures: the model’s stand beside, what is entered is sent', async () => {
  const page = pageWith([]);
  const server = show(<LeadTools page={page} />, { 'PATCH /api/units/GE-07': page }, LEAD);
  await press('Its rated figures');
  expect(screen.getByLabelText(/^Frequency, Hz \(usual: 50\)|Hz.*usual: 50/)).toBeTruthy();
  type(/usual: 50\)/, '60');
  await press('Save its figures');
  await waitFor(() => expect(server.sent[0]?.body).toEqual({ rated: { hertz: 60 } }));
  await goneText('GE-07: its own plate');
});

test('a unit that works harder than its model: chosen at one tap', async () => {
  const page = pageWith([]);
  const server = show(<LeadTools page={page} />, { 'PATCH /api/units/GE-07': page }, LEAD);
  await press('How hard it works');
  await press('Dust and heat');
  await waitFor(() => expect(server.sent[0]?.body).toEqual({ severity: 0.5 }));
  await goneText('GE-07: how hard it works');
});

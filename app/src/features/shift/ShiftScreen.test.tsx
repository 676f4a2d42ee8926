import type { Shift, ShiftLine } from '@hudrik/core/contracts';
import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { router } from 'expo-router';
import { LOG, taken } from '@/testing/cardReply';
import { press, refusal, show } from '@/testing/screen';
import { ShiftScreen } from './ShiftScreen';

const line = (code: string, more: Partial<ShiftLine> = {}): ShiftLine => ({
  tag: 'GE-07',
  classId: 'generator',
  code,
  facts: {},
  because: [],
  minutes: 0,
  jobId: null,
  reference: null,
  ...more,
});
const shift = (more: Partial<Shift> = {}): Shift => ({
  at: new Date().toISOString(),
  goingOut: 0,
  goingOutNotFit: 0,
  minutesBetween: 0,
  back: [],
  soon: [],
  held: [],
  inWork: [],
  toSign: [],
  due: [],
  warned: [],
  alone: [],
  hires: [],
  ...more,
});
const soon = new Date(Date.now() + 5 * 3_600_000).toISOString();
const reply = (more: Partial<Shift> = {}) => ({ 'GET /api/shift': shift(more) });

describe('the shift', () => {
  test.each([
    [{}, 'Nothing goes out in the next two days.'],
    [{ goingOut: 1 }, '1 goes out in the next two days; all of them are fit.'],
    [
      { goingOut: 5, goingOutNotFit: 2, minutesBetween: 190 },
      '5 go out in the next two days; 2 of them are not fit. 3 h 10 of work before that.',
    ],
  ])('%j begins with a sentence about the day', async (more, sentence) => {
    show(<ShiftScreen />, reply(more));
    expect(await screen.findByText(sentence)).toBeTruthy();
  });

  test('a quiet day has five headings and says so under each', async () => {
    show(<ShiftScreen />, reply());
    for (const none of [
      'Everything that came back has been looked at.',
      'All that goes out in the next two days is fit.',
      'Nothing is held.',
      'No job has been started.',
      'No service is due.',
    ])
      expect(await screen.findByText(none)).toBeTruthy();
  });

  test('what is back is checked in by its button', async () => {
    show(
      <ShiftScreen />,
      reply({
        back: [
          line('back-not-looked-at', {
            facts: { since: new Date(Date.now() - 3 * 3_600_000).toISOString(), nextFrom: soon },
          }),
        ],
      }),
    );
    expect(await screen.findByText('Back 3 hours ago')).toBeTruthy();
    await press('Check in GE-07');
    expect(router.navigate).toHaveBeenLastCalledWith('/u/GE-07/check-in');
  });

  test('what goes out and is not fit says why, and who could go in its place', async () => {
    show(
      <ShiftScreen />,
      reply({
        soon: [
          line('unit-not-fit', {
            because: ['A socket is broken.'],
            facts: { fromAt: soon, nearestFit: 'GE-01' },
            jobId: '12',
          }),
        ],
      }),
    );
    expect(await screen.findByText('A socket is broken. GE-01 is fit and free.')).toBeTruthy();
    await press('To the job of GE-07');
    expect(router.navigate).toHaveBeenLastCalledWith('/j/12');
  });

  test('a class that runs short leads to the hires', async () => {
    show(
      <ShiftScreen />,
      reply({ soon: [line('class-short', { tag: null, reference: 'B-1', facts: { fromAt: soon } })] }),
    );
    expect(await screen.findByText('Any generator was promised, and no fit one is left.')).toBeTruthy();
    await press('Hires');
    expect(router.navigate).toHaveBeenLastCalledWith('/hires');
  });

  test('a service that falls due is raised once', async () => {
    const server = show(<ShiftScreen />, {
      ...reply({
        due: [
          line('service-due', {
            facts: { overdue: 1 },
            because: ['Engine oil', 'Plug'],
            raises: [{ work: 'oil-service', title: 'Engine oil', minutes: 25 }],
          }),
        ],
      }),
      [LOG]: taken,
    });
    expect(await screen.findByText('Service: Engine oil, Plug')).toBeTruthy();
    expect(screen.getByText('Overdue.')).toBeTruthy();
    await press('Raise the service of GE-07');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        kind: 'job-raised',
        tag: 'GE-07',
        facts: { kind: 'service', work: 'oil-service', blocks: 'none' },
      }),
    );
    expect(await screen.findByRole('button', { name: 'Raise the service of GE-07', disabled: true })).toBeTruthy();
  });

  test('what is planned says when and with whom', async () => {
    const planned = { plannedFrom: soon, plannedWho: 'Ivo Tarnwell' };
    show(
      <ShiftScreen />,
      reply({ held: [line('held', { because: ['It leaks.'], facts: { since: soon, ...planned } })] }),
    );
    expect(await screen.findByText(/Planned .* with Ivo Tarnwell\.$/)).toBeTruthy();
  });

  test('a tap on a line opens its unit', async () => {
    show(
      <ShiftScreen />,
      reply({ held: [line('held', { because: ['It leaks.', 'It is loud.'], facts: { since: soon } })] }),
    );
    fireEvent.press(await screen.findByLabelText('GE-07: It leaks.'));
    expect(router.navigate).toHaveBeenLastCalledWith('/u/GE-07');
    expect(screen.getByText(/And 1 more\.$/)).toBeTruthy();
  });

  test('a shift that cannot be fetched says what is kept', async () => {
    show(<ShiftScreen />, { 'GET /api/shift': refusal(503, 'store-away') });
    expect(await screen.findByText('The shift cannot be fetched just now.')).toBeTruthy();
    expect(screen.getByText('Anything you entered is kept on this device.')).toBeTruthy();
  });
});

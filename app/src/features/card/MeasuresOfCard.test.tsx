import { EMPTY_SHEET } from '@hudrik/core/contracts';
import { screen, waitFor } from '@testing-library/react-native';
import { STEPS, taking } from '@/testing/cardReply';
import { unitSheet } from '@/testing/samples';
import { press, show, type } from '@/testing/screen';
import { CardScreen } from './CardScreen';

const STEM = { name: 'Valve stem', place: 'intake', unit: 'in', from: 2.452, to: 2.464 } as const;
const SHEET = 'GET /api/units/GE-07/sheet';
const sheet = unitSheet({
  dataSheet: {
    ...EMPTY_SHEET,
    plug: 'NX-7R',
    measures: [STEM],
    notes: [{ text: 'Reads 94 by hand when healthy', places: ['card'] }],
    oils: [{ where: 'Engine', grade: 'SAE 30', fromC: 5, toC: null }],
  },
  notes: [
    { id: 'n1', text: 'Left bolt: leave it', places: ['card'], by: 'Ivo Tarnwell', at: '2030-01-01T00:00:00Z' },
    { id: 'n2', text: 'Sticky lock', places: ['check-out'], by: null, at: '2030-01-01T00:00:00Z' },
  ],
  measured: [{ name: 'Valve stem', place: 'intake', value: 2.46, unit: 'in', at: '2030-02-01T00:00:00Z', jobId: '3' }],
});
const shown = () => show(<CardScreen jobId="7" />, { ...taking([STEPS]), [SHEET]: sheet });

describe('measures of a card', () => {
  test('one of the sheet is held against it and the last time, in the unit it is read in, and kept with its limits', async () => {
    const server = shown();
    await press('Valve stem, intake');
    type('Figure, in', '2,45');
    expect(screen.getByText('Valve stem, intake: 2.45 in, not right: it should be 2.452 to 2.464 in')).toBeTruthy();
    expect(screen.getByText(/^Last time, .*: 2\.46 in\. Less by 0\.01\.$/)).toBeTruthy();
    await press('mm');
    expect(screen.getByLabelText('Figure, mm').props.value).toBe('62.23');
    expect(
      screen.getByText(/^Valve stem, intake: 62\.23 mm, not right: it should be 62\.2808 to 62\.5856 mm$/),
    ).toBeTruthy();
    await press('in');
    await press('Keep it on the card');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        kind: 'measured',
        jobId: '7',
        facts: { name: 'Valve stem', place: 'intake', value: 2.45, unit: 'in', from: 2.452, to: 2.464 },
      }),
    );
    expect(await screen.findByText(/^Valve stem, intake: 2\.45 in, not right/)).toBeTruthy();
  });

  test('anything else by a name of its own; limits the wrong way round are not kept', async () => {
    const server = shown();
    await press('Measure something');
    type('What is measured', 'Drip rate');
    await press('drops/min');
    type('Figure, drops/min', '3');
    type('Right from (optional)', '5');
    type('to (optional)', '1');
    expect(screen.getByText('This must be above “from”.')).toBeTruthy();
    await press('Keep it on the card');
    expect(server.sent).toEqual([]);
    type('Right from (optional)', '');
    await press('Keep it on the card');
    await waitFor(() =>
      expect(server.sent[0]?.body['facts']).toMatchObject({ name: 'Drip rate', value: 3, from: null, to: 1 }),
    );
  });
});

describe('what whoever comes to it must know', () => {
  test('stands on the card: the unit’s own and its model’s, and no note that belongs elsewhere', async () => {
    shown();
    expect(await screen.findByText('Left bolt: leave it')).toBeTruthy();
    expect(screen.getByText('Reads 94 by hand when healthy (Lantern 5000)')).toBeTruthy();
    expect(screen.queryByText('Sticky lock')).toBeNull();
  });

  test('what its data sheet says stands there, with its source', async () => {
    shown();
    expect(await screen.findByText('NX-7R')).toBeTruthy();
    expect(screen.getByText('SAE 30, from 5 °C')).toBeTruthy();
    expect(screen.getByText('2.452 to 2.464 in; last 2.46')).toBeTruthy();
    await press('Where from: Source: the model’s data sheet');
    expect(screen.getByText('The data sheet of Tuvellan Lantern 5000, as the yard keeps it.')).toBeTruthy();
  });
});

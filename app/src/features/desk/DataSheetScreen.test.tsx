import { EMPTY_SHEET } from '@hudrik/core/contracts';
import { screen, waitFor } from '@testing-library/react-native';
import { press, show, type } from '@/testing/screen';
import { DataSheetScreen } from './DataSheetScreen';

const model = { id: 7, classId: 'generator', make: 'Tuvellan', name: 'Lantern 5' } as const;
const sheetOf = (more: object = {}) => ({ model, dataSheet: { ...EMPTY_SHEET, ...more } });
const replies = (more: object = {}) => ({
  'GET /api/models/7': sheetOf(more),
  'PUT /api/models/7/data-sheet': sheetOf(),
});

describe('a model’s data sheet', () => {
  test.each([
    ['Plug gap', '0.03', '0.02', 'This must be above “from”.'],
    ['Plug gap', '0.03', '', 'This needs an end.'],
    ['Air gap of the coil', '10', '12', 'No engine shows that: is the unit right?'],
    ['Compression with release', '85', '120', 'This has no upper end: leave it open.'],
    ['Leak-down', '5', '20', 'It is at most so much: begin at 0.'],
  ])('a band that cannot be is said and not saved: %s %s to %s', async (name, from, to, words) => {
    const server = show(<DataSheetScreen id="7" />, replies());
    await screen.findByText('Tuvellan Lantern 5: data sheet');
    type(new RegExp(`^${name} from`), from);
    type(`${name} to`, to);
    await press('Save the data sheet');
    expect(await screen.findByText(words)).toBeTruthy();
    expect(server.sent).toEqual([]);
  });

  test('a torque with its order and long bolts is added; what is wrong with it is said', async () => {
    const server = show(<DataSheetScreen id="7" />, replies());
    await press('Add a torque');
    type('What is tightened', 'Cylinder head');
    type('Torque', '18,5');
    await press('Keep it');
    expect(screen.getByText('Choose a unit of torque.')).toBeTruthy();
    await press('lbf·ft');
    await press('dry');
    type(/^Order of the bolts/, '1-1-2');
    await press('Keep it');
    expect(screen.getByText('The order must name each bolt once, from 1.')).toBeTruthy();
    type(/^Order of the bolts/, '1-4-2-3');
    type(/^Holes that take long bolts/, '1, 3');
    await press('Keep it');
    expect(await screen.findByText('Cylinder head 18.5 lbf·ft, dry, 1-4-2-3, long in 1 and 3')).toBeTruthy();
    await press('Save the data sheet');
    await waitFor(() =>
      expect(server.sent[0]?.body['torques']).toEqual([
        {
          what: 'Cylinder head',
          value: 18.5,
          unit: 'lbf·ft',
          threads: 'dry',
          places: [],
          order: [1, 4, 2, 3],
          long: [1, 3],
        },
      ]),
    );
  });

  test('a line is changed and removed; what is not touched is saved as it was', async () => {
    const parts = [{ name: 'Bowl seal', place: 'Carburettor', number: null, count: 1, kit: 'Needle set' }];
    const oils = [{ where: 'Engine', grade: 'SAE 30', fromC: 5, toC: null }];
    const server = show(<DataSheetScreen id="7" />, replies({ parts, oils, plug: 'NX-7R' }));
    await press('Change 1 × Bowl seal, Carburettor, number unknown, set: Needle set');
    type('Number (open: nobody knows it yet)', 'tv-3377');
    await press('Keep it');
    await press('Remove Engine, SAE 30, from 5 °C');
    await press('Save the data sheet');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        plug: 'NX-7R',
        oils: [],
        parts: [{ name: 'Bowl seal', number: 'TV-3377', kit: 'Needle set' }],
      }),
    );
  });
});

import { act, fireEvent, screen } from '@testing-library/react-native';
import { Text } from 'react-native';
import { useRead } from '@/api';
import { IVO, show } from '@/testing/screen';
import { asCsv, guessed, lacking, readSheet } from './columns';
import { FleetImport } from './FleetImport';
import { SetUpNotice } from './SetUpNotice';
import { SetUpScreen } from './SetUpScreen';

const LEAD = { ...IVO, role: 'lead' } as const;
const counts = (held: number) => ({ units: [], next: null, counts: { fit: 0, held } });
const REPLIES = {
  'GET /api/settings': { yard: 'Hire yard', currency: 'USD', locale: 'en-US', timeZone: 'UTC' },
  'GET /api/units': counts(0),
  'GET /api/people': { people: [{ id: 1, name: 'Runa Veldt', role: 'lead', leftAt: null, skills: [] }] },
  'GET /api/access': { device: 1, isPinShort: false, sessions: [], devices: [], wrongPins: [] },
  'GET /api/hires': { hires: [], warnings: [] },
};

describe('a list of one’s own', () => {
  const text =
    '\uFEFFFleet no;Brand;Model name;Serial;Hrs\r\nGE-01;Tuvellan;"Lantern; 5";A1;120,5\r\n\r\nGE-02;Tuvellan;Drift 7;A2;\r\n';

  test('its columns are known by their names, whatever stands between its cells', () => {
    const sheet = readSheet(text);
    expect(sheet.heading).toEqual(['Fleet no', 'Brand', 'Model name', 'Serial', 'Hrs']);
    const mapping = guessed(sheet);
    expect(mapping).toEqual({ tag: 0, make: 1, model: 2, serial: 3, hours: 4 });
    expect(lacking(mapping)).toEqual([]);
    expect(lacking({ tag: 0 })).toEqual(['make', 'model']);
    expect(asCsv(sheet, mapping).split('\r\n')).toEqual([
      'tag,class,make,model,serial,home_bay,hours,read_on,oil_hours,oil_on',
      'GE-01,,Tuvellan,Lantern; 5,A1,,"120,5",,,',
      'GE-02,,Tuvellan,Drift 7,A2,,,,,',
    ]);
  });

  test('what was when, and the last oil service, are known too', () => {
    const { heading } = readSheet('Unit,Make,Model,Hours,Date read,Last oil,Serviced on\n');
    expect(guessed({ heading, rows: [] })).toEqual({
      ...{ tag: 0, make: 1, model: 2, hours: 3, read_on: 4, oil_hours: 5, oil_on: 6 },
    });
  });

  test('the heading alone is no list, and nothing is nothing', () => {
    expect(readSheet('tag,make\n').rows).toEqual([]);
    expect(readSheet('').heading).toEqual([]);
  });
});

test('a column that its name does not tell is asked for; one that is wrong is put right', async () => {
  show(<FleetImport />, {}, LEAD);
  const list = new File(['No;Brand;Range;Counter\nGE-01;Tuvellan;Lantern 5;12\n'], 'units.csv', { type: 'text/csv' });
  // A page's own element, which the screen's queries do not know.
  const input = screen.root.findByProps({ type: 'file' });
  await act(async () => input.props['onChange']({ target: { files: [list], value: '' } }));
  expect(await screen.findByLabelText('Make: Brand')).toBeTruthy();
  // Wanted, and not known: its line is open.
  expect(screen.getByLabelText('Model: not in the list')).toBeTruthy();
  fireEvent.press(screen.getByLabelText('Model is Range'));
  expect(await screen.findByLabelText('Model: Range')).toBeTruthy();
  expect(screen.queryByLabelText('Hours on the meter is Counter')).toBeNull();
  fireEvent.press(screen.getByLabelText('Hours on the meter: not in the list'));
  fireEvent.press(screen.getByLabelText('Hours on the meter is Counter'));
  expect(await screen.findByLabelText('Hours on the meter: Counter')).toBeTruthy();
  expect(screen.getByText('First: 12')).toBeTruthy();
});

test('an empty yard says how to begin; each step what it is for and where it is done', async () => {
  show(<SetUpScreen />, REPLIES, LEAD);
  expect(await screen.findByText('Set up Hire yard: 7 steps are left.')).toBeTruthy();
  expect(screen.getByText('Choose the file')).toBeTruthy();
  expect(screen.getByText(/^Nobody has looked at any yet/)).toBeTruthy();
});

test('when all that the yard can tell is done it is set up, and labels are still to be had', async () => {
  show(
    <SetUpScreen />,
    {
      ...REPLIES,
      'GET /api/settings': { ...REPLIES['GET /api/settings'], yard: 'Ferry landing' },
      'GET /api/units': counts(3),
      'GET /api/people': {
        people: [1, 2].map((id) => ({ id, name: `P${id}`, role: 'lead', leftAt: null, skills: [] })),
      },
      'GET /api/access': { ...REPLIES['GET /api/access'], devices: [{}, {}] },
      'GET /api/hires': { hires: [{}], warnings: [] },
    },
    LEAD,
  );
  expect(await screen.findByText('The yard is set up.')).toBeTruthy();
  expect(screen.getByText('Print them')).toBeTruthy();
  expect(screen.queryByText(/Comes once there are units/)).toBeNull();
});

test('on the shift: a lead is led there, others are told who does it; a yard with units says nothing', async () => {
  show(<SetUpNotice />, { 'GET /api/units': counts(0) }, LEAD);
  expect(await screen.findByText('Set the yard up')).toBeTruthy();
  screen.unmount();
  show(<SetUpNotice />, { 'GET /api/units': counts(0) });
  expect(await screen.findByText('A lead sets it up: More, Set the yard up.')).toBeTruthy();
  expect(screen.queryByText('Set the yard up')).toBeNull();
  screen.unmount();
  show(
    <>
      <SetUpNotice />
      <Asked />
    </>,
    { 'GET /api/units': counts(3) },
    LEAD,
  );
  expect(await screen.findByText('there are units')).toBeTruthy();
  expect(screen.queryByText('This yard has no units yet.')).toBeNull();
});

/** Shown once the same answer is there. */
function Asked() {
  const units = useRead('units', { query: { limit: 1 } });
  return units.data ? <Text>there are units</Text> : null;
}

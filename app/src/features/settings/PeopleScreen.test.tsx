import { screen, waitFor } from '@testing-library/react-native';
import { IVO, press, refusal, show, type } from '@/testing/screen';
import { PeopleScreen } from './PeopleScreen';

const people = {
  people: [
    { id: 1, name: 'Runa Veldt', role: 'lead', leftAt: null, skills: ['electrical'] },
    { id: 2, name: 'Pell Quist', role: 'apprentice', leftAt: '2030-01-01T00:00:00Z', skills: ['electrical'] },
  ],
};
const LEAD = { ...IVO, role: 'lead' } as const;

describe('the people', () => {
  test('counts who is there, and says who left', async () => {
    show(<PeopleScreen />, { 'GET /api/people': people }, LEAD);
    expect(await screen.findByText('One person')).toBeTruthy();
    expect(screen.getByText('apprentice, left')).toBeTruthy();
  });

  test('another role, a new PIN, back on the yard', async () => {
    const server = show(<PeopleScreen />, { 'GET /api/people': people, 'PATCH /api/people/2': people }, LEAD);
    await press('Change Pell Quist');
    await press('Pell Quist is technician');
    await press('Back on the yard');
    await press('Pell Quist is good at hydraulics');
    await press('Pell Quist is good at electrical');
    await waitFor(() =>
      expect(server.sent.map((one) => one.body)).toEqual([
        { role: 'technician' },
        { left: false },
        { skills: ['electrical', 'hydraulics'] },
        { skills: [] },
      ]),
    );
  });

  test('the last lead stays one, and it is said', async () => {
    show(
      <PeopleScreen />,
      {
        'GET /api/people': people,
        'PATCH /api/people/1': refusal(409, 'last-lead', {}, 'Somebody must be lead. Make another lead first.'),
      },
      LEAD,
    );
    await press('Change Runa Veldt');
    await press('Left the yard');
    expect(await screen.findByText(/Somebody must be lead/)).toBeTruthy();
  });

  test('a person is added with a PIN that is not guessed at once', async () => {
    const server = show(
      <PeopleScreen />,
      { 'GET /api/people': people, 'POST /api/people': { id: 9, name: 'Nilla Storm', role: 'technician' } },
      LEAD,
    );
    await screen.findByText('One person');
    type('Name', 'Nilla Storm');
    type('PIN of six figures, or password', '551');
    await press('Add');
    expect(await screen.findByText('At least six figures.')).toBeTruthy();
    expect(server.sent).toEqual([]);
    type('PIN of six figures, or password', '551208');
    await press('Add');
    await waitFor(() =>
      expect(server.sent[0]?.body).toEqual({ name: 'Nilla Storm', role: 'technician', pin: '551208' }),
    );
  });
});

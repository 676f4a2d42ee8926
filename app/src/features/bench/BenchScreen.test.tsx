import { screen } from '@testing-library/react-native';
import { jobLine } from '@/testing/samples';
import { refusal, show } from '@/testing/screen';
import { BenchScreen } from './BenchScreen';

describe('the bench', () => {
  test('says how much there is, and puts what was begun first', async () => {
    show(<BenchScreen />, {
      'GET /api/jobs': {
        jobs: [
          jobLine(),
          jobLine({ id: '8', state: 'open', visit: { id: '4', state: 'waits-part' }, title: 'New gun' }),
          jobLine({ id: '9', blocks: 'prep', kind: 'prep', title: 'Clean it', minutes: 45 }),
        ],
      },
    });
    expect(await screen.findByText('3 jobs, 1 h 25 of hands-on work.')).toBeTruthy();
    for (const heading of ['On the bench', 'Holds a unit', 'Prep and service'])
      expect(screen.getByText(heading)).toBeTruthy();
    expect(screen.getByText(/waits for a part/)).toBeTruthy();
  });

  test('a clear bench says so; one that cannot be fetched too', async () => {
    show(<BenchScreen />, { 'GET /api/jobs': { jobs: [] } });
    expect(await screen.findByText('The bench is clear.')).toBeTruthy();
    screen.unmount();
    show(<BenchScreen />, { 'GET /api/jobs': refusal(503, 'store-away') });
    expect(await screen.findByText('The bench cannot be fetched just now.')).toBeTruthy();
  });
});

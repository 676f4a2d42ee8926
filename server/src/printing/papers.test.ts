import assert from 'node:assert/strict';
import { test } from 'node:test';
import { ROUTES, type FleetService } from '@hudrik/core/contracts';
import { paperIn } from '../testing/readPaper';
import { Ways } from '../testing/ways';
import { useYard } from '../testing/yard';

const yard = useYard();
const ways = new Ways(yard);

/** What stands on each, once there is something to say: of an operation that answers a paper there is none without a line here. */
const SAYS: Readonly<Record<string, { readonly pages: number; readonly words: readonly string[] }>> = {
  cardPdf: { pages: 1, words: ['GE-01', 'Fuel leaks at the carburettor'] },
  estimatePdf: { pages: 1, words: ['GE-01'] },
  dayPdf: { pages: 1, words: ['The technician'] },
  labelsPdf: { pages: 1, words: ['GE-01', 'GE-02'] },
  layUpTags: { pages: 1, words: ['SN-01'] },
  seasonPdf: { pages: 1, words: ['Lay-up', 'no flame'] },
  servicePdf: { pages: 1, words: ['Service', 'Engine oil 2030-04-06 25'] },
};

test('every paper that can be asked for is one: its pages are counted, its words are read', async () => {
  const jobId = await ways.begun('GE-01');
  await ways.fit('GE-02');
  await yard.addUnit('SN-01', 'snowblower', 900);
  const summer = { from: '01-02', to: '12-20', callOdds: 0.1 };
  assert.equal(
    (await yard.ask('PUT', '/api/seasons/snowblower', { as: 'lead', body: { seasons: [summer] } })).status,
    200,
  );
  const paths = Object.entries(ROUTES)
    .filter(([, { path }]) => path.endsWith('.pdf'))
    .map(
      ([id, { path }]) =>
        [id, path.replace('{id}', jobId).replace('{person}', String(yard.personId('technician')))] as const,
    );
  assert.deepEqual(paths.map(([id]) => id).sort(), Object.keys(SAYS).sort());
  for (const [id, path] of paths) {
    const query = id === 'estimatePdf' ? '?state=good&risks=&access=1' : '';
    const paper = await paperIn(await yard.ask('GET', path + query, { as: 'technician' }));
    const { pages = 0, words = [] } = SAYS[id] ?? {};
    assert.equal(paper.pages.length, pages, id);
    for (const word of words) assert.ok(paper.says(word), `${id} does not say ${word}: ${paper.text.slice(0, 600)}`);
  }
});

test('the service on paper is what the screen says: what is overdue counts', async () => {
  yard.later(24 * 400);
  await yard.signInAgain();
  const { units, weeks } = await yard.read<FleetService>('/api/service');
  const minutes = weeks.reduce((sum, week) => sum + week.minutes + week.overdueMinutes, 0);
  assert.ok(weeks[0] && weeks[0].overdueMinutes > 0);
  const paper = await paperIn(await yard.ask('GET', '/api/service/list.pdf', { as: 'technician' }));
  assert.ok(paper.says(`${units.length} units, ${Math.floor(minutes / 60)} h ${minutes % 60} min`), paper.text);
  assert.ok(paper.says('overdue'));
});

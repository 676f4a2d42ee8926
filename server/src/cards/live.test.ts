import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import type { UnitPage } from '@hudrik/core/contracts';
import { cardOf } from '@hudrik/core/log';
import { cardIn, onCard as enter } from '../testing/proving';
import { foundCheckIn } from '../testing/samples';
import { useYard } from '../testing/yard';

describe('instruments on a card', () => {
  const yard = useYard();

  test('the load bank’s readings come as they are, and follow the unit’s faults until they are put right', async () => {
    await yard.addUnit('GE-16');
    await yard.checkIn(foundCheckIn('GE-16', 'generator', '101.0', { volts: 'low' }));
    const id = (await yard.read<UnitPage>('/api/units/GE-16')).jobs[0]?.id ?? '';
    const findingId = randomUUID();
    await yard.enter({ tag: 'GE-16', id: findingId }, 'finding-opened', { machine: { engine: {}, past: {} } });
    await yard.enter({ findingId }, 'causes-confirmed', { causes: ['rings-worn'], note: '' });
    const first = async (): Promise<{ hertz: number }> => {
      const answer = await yard.ask('GET', `/api/jobs/${id}/live?load=1`, { as: 'technician' });
      assert.match(answer.headers.get('content-type') ?? '', /event-stream/);
      const reader = answer.body?.getReader();
      assert.ok(reader);
      const { value } = await reader.read();
      await reader.cancel();
      return JSON.parse(
        Buffer.from(value ?? [])
          .toString()
          .replace(/^data: /, '')
          .split('\n')[0] ?? '',
      ) as { hertz: number };
    };
    assert.ok((await first()).hertz < 57);
    // The set on the bench is the one that it is: of another plate it turns otherwise.
    const { version } = (await yard.read<UnitPage>('/api/units/GE-16')).unit;
    const rated = { body: { rated: { hertz: 50 } }, headers: { 'If-Match': `"${version}"` } };
    assert.equal((await yard.ask('PATCH', '/api/units/GE-16', { as: 'lead', ...rated })).status, 200);
    assert.ok((await first()).hertz < 48);
    await yard.ask('PATCH', '/api/units/GE-16', {
      as: 'lead',
      body: { rated: {} },
      headers: { 'If-Match': `"${version + 1}"` },
    });
    await enter(yard, id, 'hands-on', {});
    const step = cardOf((await cardIn(yard, id)).entries).steps.find((entry) => entry.key === 'repair-rings-worn');
    await enter(yard, id, 'step-done', { stepId: step?.stepId ?? '' });
    assert.ok((await first()).hertz > 57);
  });
});

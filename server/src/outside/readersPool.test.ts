import assert from 'node:assert/strict';
import { after, describe, test } from 'node:test';
import { readersPool } from './readersPool';

const AT = { timeZone: 'Europe/Berlin', at: new Date('2030-05-06T06:00:00Z') };
const readers = readersPool();
const hasty = readersPool(60);
after(() => Promise.all([readers.stop(), hasty.stop()]));
const body = (text: string, type = '') => ({ bytes: Buffer.from(text, 'latin1'), type });
const event = (uid: string, name: string): string =>
  `BEGIN:VEVENT\r\nUID:${uid}\r\nCATEGORIES:welder\r\nSUMMARY:${name}\r\nDTSTART:20300508T080000Z\r\nDTEND:20300509T080000Z\r\nEND:VEVENT`;
const calendar = (...events: string[]): string => ['BEGIN:VCALENDAR', ...events, 'END:VCALENDAR'].join('\r\n');

describe('what strangers send is read in a worker', () => {
  test('Latin-1 names come out right, by header and without', async () => {
    for (const type of ['text/calendar; charset=iso-8859-1', 'text/calendar', '']) {
      const read = await readers.calendar(body(calendar(event('a', 'J\xfcrgen \xd8stby')), type), AT);
      assert.ok(read.ok);
      assert.equal(read.hires[0]?.hirer, 'Jürgen Østby');
    }
    assert.deepEqual(await readers.calendar(body('', 'text/html'), AT), { ok: false, problem: 'other-type' });
  });

  test('one that takes too long is ended, and the next is read', async () => {
    const long = calendar(...Array.from({ length: 20_000 }, (_, nth) => event(`a${nth}`, 'x'.repeat(300))));
    assert.deepEqual(await hasty.calendar(body(long), AT), { ok: false, problem: 'too-slow' });
    assert.ok((await readers.calendar(body(calendar(event('a', 'Orra'))), AT)).ok);
  });

  test('all that may come is read in a tenth of the time that it has', async () => {
    const most = calendar(...Array.from({ length: 20_000 }, (_, nth) => event(`a${nth}`, 'x'.repeat(300))));
    assert.ok(most.length < 10_000_000 && most.length > 8_000_000, String(most.length));
    const read = await readers.calendar(body(most), AT);
    assert.ok(read.ok && read.hires.length === 20_000);
  });
});

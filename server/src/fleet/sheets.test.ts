import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import {
  EMPTY_SHEET,
  type DataSheet,
  type ImportReport,
  type PartsReply,
  type UnitPart,
  type UnitSheet,
} from '@hudrik/core/contracts';
import { cardIn } from '../testing/proving';
import { foundCheckIn } from '../testing/samples';
import { entryIn, jsonOf, problemIn, useYard } from '../testing/yard';

const WHOLE: DataSheet = {
  engine: { ignition: 'coil', release: true, strokes: 4 },
  limits: { plugGapInch: [0.02, 0.024], compressionByRelease: [85, null] },
  rated: { hertz: 50, volts: 230, governor: 'mechanical' },
  plug: 'NX-7R',
  torques: [
    {
      what: 'Cylinder head',
      value: 18,
      unit: 'lbf·ft',
      threads: 'oiled',
      places: [
        [0, 0],
        [30, 0],
        [0, 45],
        [30, 45],
      ],
      order: [1, 4, 2, 3],
      long: [1, 3],
    },
    { what: 'Flywheel nut', value: 74, unit: 'N·m', threads: 'dry', places: [], order: [], long: [] },
  ],
  oils: [
    { where: 'Engine', grade: 'SAE 30', fromC: 5, toC: null },
    { where: 'Engine', grade: '5W-30', fromC: -30, toC: 10 },
  ],
  capacities: [{ what: 'Engine oil', value: 0.6, unit: 'L' }],
  measures: [{ name: 'Valve stem', place: 'intake', unit: 'mm', from: 60.2, to: 60.8 }],
  notes: [{ text: 'Reads 94 by hand when healthy', places: ['finding', 'card'] }],
  parts: [
    { name: 'Float needle', place: 'Carburettor', number: 'TV-3300', count: 1, kit: 'Needle set' },
    { name: 'Bowl seal', place: 'Carburettor', number: null, count: 1, kit: 'Needle set' },
  ],
};

describe('data sheets', () => {
  const yard = useYard();
  const modelOf = async (tag: string): Promise<number> =>
    (await yard.db.selectFrom('unit').select('model_id').where('tag', '=', tag).executeTakeFirstOrThrow()).model_id;
  const put = async (tag: string, body: object) =>
    yard.ask('PUT', `/api/models/${await modelOf(tag)}/data-sheet`, { as: 'lead', body });
  const sheetOf = (tag: string) => yard.read<UnitSheet>(`/api/units/${tag}/sheet`, 'apprentice');
  const partsOf = async (tag: string, find = '') =>
    (await yard.read<{ parts: UnitPart[] }>(`/api/units/${tag}/parts?find=${encodeURIComponent(find)}`, 'apprentice'))
      .parts;
  const importCsv = async (raw: string) =>
    jsonOf<ImportReport>(await yard.ask('POST', '/api/import/sheets', { as: 'lead', raw }));
  const exportCsv = async () => (await yard.ask('GET', '/api/export/sheets', { as: 'counter' })).text();
  const HEADING = 'make,model,section,name,place,value,from,to,unit,count,extra\r\n';

  test('all that a sheet says is in the unit’s, and goes out and in by CSV without loss', async () => {
    await yard.addUnit('GE-11');
    assert.equal((await put('GE-11', WHOLE)).status, 200);
    const { dataSheet, model } = await sheetOf('GE-11');
    assert.deepEqual(dataSheet, WHOLE);
    const csv = await exportCsv();
    assert.equal((await put('GE-11', EMPTY_SHEET)).status, 200);
    const report = await importCsv(csv);
    assert.deepEqual([report.refused, report.lines.filter((line) => !line.taken)], [0, []]);
    assert.deepEqual((await sheetOf('GE-11')).dataSheet, WHOLE);
    // Once more changes nothing: a line stands in the place of the one that it names.
    await importCsv(csv);
    assert.equal(await exportCsv(), csv);
    assert.ok(csv.includes(`${model.make},${model.name},torque,Cylinder head`));
  });

  test('a line that cannot be is refused by itself', async () => {
    const { model } = await sheetOf('GE-11');
    const line = (rest: string) => `${model.make},${model.name},${rest}\r\n`;
    const report = await importCsv(
      [
        HEADING,
        line('limit,airGapInch,,,0.012,0.010,,,'),
        line('limit,airGapInch,,,"0,010","0,012",,,'),
        line('torque,Head,,eighteen,,,N·m,,'),
        line('note,Bolts are metric,,,,,,,kitchen'),
        line('cake,Sponge,,,,,,,'),
        'Nobody,Nothing,plug,,,X,,,,,\r\n',
      ].join(''),
    );
    assert.deepEqual(
      report.lines.map(({ taken }) => taken),
      [false, true, false, false, false, false],
    );
    assert.match(report.lines[0]?.why ?? '', /above the start/);
    assert.deepEqual((await sheetOf('GE-11')).dataSheet.limits.airGapInch, [0.01, 0.012]);
  });

  test('a sheet kept by an older edition reads as one that says nothing more', async () => {
    await yard.addUnit('GE-12');
    const kept = JSON.stringify({ engine: { strokes: 4 }, limits: { plugGapInch: [0.03, 0.02] } });
    await yard.db
      .updateTable('model')
      .set({ data_sheet: kept })
      .where('id', '=', await modelOf('GE-12'))
      .execute();
    const { dataSheet } = await sheetOf('GE-12');
    assert.deepEqual([dataSheet.engine.strokes, dataSheet.limits.plugGapInch, dataSheet.notes], [4, [0.03, 0.02], []]);
  });

  test('a note stands until it is taken down, and only where it stands can it be', async () => {
    await yard.addUnit('GE-13');
    await yard.addUnit('GE-14');
    const id = randomUUID();
    const facts = { text: 'Left bolt of the shroud: leave it', places: ['card', 'check-in'] as const };
    await entryIn(await yard.enter({ id, tag: 'GE-13' }, 'standing-note', facts));
    const [note] = (await sheetOf('GE-13')).notes;
    assert.deepEqual([note?.text, note?.places, note?.by], [facts.text, facts.places, 'The technician']);
    const down = (tag: string) => yard.enter({ tag }, 'standing-note-ended', { noteId: id });
    assert.equal((await problemIn(await down('GE-14'))).code, 'not-found');
    await entryIn(await down('GE-13'));
    assert.deepEqual((await sheetOf('GE-13')).notes, []);
    assert.equal((await problemIn(await down('GE-13'))).code, 'not-found');
  });

  const jobOn = async (tag: string): Promise<string> => {
    await yard.addUnit(tag);
    await yard.checkIn(foundCheckIn(tag, 'generator', '101.0', { exhaust: 'loose' }));
    const { jobs } = await yard.read<{ jobs: { id: string }[] }>(`/api/jobs?tag=${tag}`, 'technician');
    return jobs[0]?.id ?? '';
  };

  test('any measure by its own name is on the card, and the newest is told first', async () => {
    const jobId = await jobOn('GE-15');
    const stem = (value: number) =>
      yard.enter({ jobId }, 'measured', {
        name: 'Valve stem',
        place: 'intake',
        value,
        unit: 'mm',
        from: 60.2,
        to: 60.8,
      });
    await entryIn(await stem(60.5));
    yard.now = new Date(yard.now.getTime() + 60_000);
    await entryIn(await stem(60.1));
    assert.deepEqual(
      (await sheetOf('GE-15')).measured.map(({ value, jobId: on }) => [value, on]),
      [
        [60.1, jobId],
        [60.5, jobId],
      ],
    );
  });

  test('parts of a model: by name, place, kit, or any number it ever had; price and last price paid', async () => {
    await yard.addUnit('GE-16');
    await put('GE-16', WHOLE);
    await yard.ask('POST', '/api/import/parts', {
      as: 'lead',
      raw: 'number,name,cents,place,count,superseded_by,kit_of\r\nTV-3301,Float needle,640,Shelf 2,3,,\r\nTV-3300,,,,,TV-3301,\r\n',
    });
    const [needle, seal] = await partsOf('GE-16');
    assert.deepEqual([needle?.today, needle?.cents, needle?.free, needle?.paid], ['TV-3301', 640, 3, null]);
    assert.deepEqual([seal?.number, seal?.today, seal?.cents], [null, null, null]);
    const found = async (text: string) => (await partsOf('GE-16', text)).map(({ name }) => name);
    assert.deepEqual(await found('tv-3300'), ['Float needle']);
    assert.deepEqual(await found('3301'), ['Float needle']);
    assert.deepEqual(await found('needle SET'), ['Float needle', 'Bowl seal']);
    assert.deepEqual(await found('bowl'), ['Bowl seal']);
    assert.deepEqual(await found('nothing of the kind'), []);
  });

  test('needed, number unknown: a line; the number found on the spot with what was paid is on the card, the list and the shelf', async () => {
    const jobId = await jobOn('GE-17');
    await put('GE-17', WHOLE);
    const lineId = randomUUID();
    await entryIn(await yard.enter({ jobId }, 'part-asked', { lineId, name: 'Bowl seal', count: 2 }));
    const lineNow = async () => (await cardIn(yard, jobId)).parts.find((line) => line.id === lineId);
    assert.deepEqual([(await lineNow())?.name, (await lineNow())?.state], ['Bowl seal', 'wanted']);
    assert.match((await lineNow())?.number ?? '', /^UNKNOWN-/);
    assert.deepEqual((await yard.read<PartsReply>('/api/parts?find=bowl', 'technician')).parts, []);
    const order = { id: randomUUID(), lines: [lineId] };
    const refused = await yard.ask('POST', '/api/orders', { as: 'technician', body: order });
    assert.equal((await problemIn(refused)).code, 'part-unknown');
    const numbered = (number: string) => yard.enter({ lineId }, 'part-numbered', { number, paidCents: 310 });
    assert.equal((await problemIn(await numbered('UNKNOWN-12345678'))).code, 'not-valid');
    await entryIn(await numbered('TV-3377'));
    assert.deepEqual([(await lineNow())?.number, (await lineNow())?.cents], ['TV-3377', 310]);
    const unnumbered = await yard.db.selectFrom('part').select('id').where('number', 'like', 'UNKNOWN-%').execute();
    assert.deepEqual(unnumbered, []);
    const seal = (await partsOf('GE-17', 'seal'))[0];
    assert.deepEqual([seal?.number, seal?.paid?.cents, seal?.cents], ['TV-3377', 310, 310]);
    const shelf = await yard.read<PartsReply>('/api/parts?find=TV-3377', 'technician');
    assert.deepEqual(shelf.parts[0]?.paid, { cents: 310, at: yard.now.toISOString() });
    assert.equal((await problemIn(await numbered('TV-3378'))).code, 'already-there');
  });

  test('a part is asked for by number or by name, never by neither', async () => {
    const jobId = await jobOn('GE-18');
    const refused = await yard.enter({ jobId }, 'part-asked', { lineId: randomUUID(), count: 1 });
    assert.equal((await problemIn(refused)).code, 'not-valid');
  });
});

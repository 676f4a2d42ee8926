import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import type { ImportReport, Problem } from '@hudrik/core/contracts';
import { parse } from 'csv-parse/sync';
import { writeCsv } from './csv';
import { jsonOf, problemIn, useYard } from '../testing/yard';

describe('lists in and out', () => {
  const yard = useYard();
  const put = (what: string, raw: string | Buffer, as: 'lead' | 'counter' = 'lead') =>
    yard.ask('POST', `/api/import/${what}`, { as, raw });
  const report = async (what: string, raw: string | Buffer) => jsonOf<ImportReport>(await put(what, raw));
  const get = async (what: string) => (await yard.ask('GET', `/api/export/${what}`, { as: 'lead' })).text();
  const UNITS = 'tag,make,model,serial,home_bay,hours\r\n';

  test('a byte order mark, line ends of either kind, spaces round a cell, empty lines: all read', async () => {
    assert.deepEqual(
      (
        await report(
          'models',
          Buffer.from('\ufeffclass,make,model\nwelder, Tuvellan , Seam 250 \n\n\ntiller,Fellbrook,Furrow 80\n'),
        )
      ).lines,
      [
        { line: 2, taken: true, what: 'Tuvellan Seam 250' },
        { line: 3, taken: true, what: 'Fellbrook Furrow 80' },
      ],
    );
    assert.equal(await get('models'), 'class,make,model\r\ntiller,Fellbrook,Furrow 80\r\nwelder,Tuvellan,Seam 250\r\n');
  });

  test('columns in any order; a wrong, a missing and a broken one are said', async () => {
    assert.equal(
      (await report('units', 'hours,tag,serial,home_bay,model,make\r\n5,WE-01,S1,North 1,Seam 250,Tuvellan\r\n')).taken,
      1,
    );
    const problem = async (raw: string): Promise<Problem> => problemIn(await put('units', raw));
    const wrong = await problem('tag,make,colour\r\n');
    assert.deepEqual(
      [wrong.status, wrong.code, wrong.facts?.['missing'], wrong.facts?.['unknown']],
      [422, 'wrong-columns', ['model', 'serial', 'home_bay', 'hours'], ['colour']],
    );
    assert.equal((await problem('')).code, 'wrong-columns');
    const broken = await problem(`${UNITS}WE-02,Tuvellan,"Seam 250\r\n`);
    assert.equal(broken.code, 'wrong-columns');
    assert.match(String(broken.facts?.['why']), /quote/i);
  });

  test('a line is taken by itself or not at all, and says why', async () => {
    const { taken, refused, lines } = await report(
      'units',
      `${UNITS}WE-03,Tuvellan,Seam 250,S3,North 1,\r\nWE-03,Tuvellan,Seam 250,S4,North 1,1\r\n,Tuvellan,Seam 250,S5,North 1,1\r\nWE-06,Tuvellan,Seam 250,S6,North 1,-4\r\n`,
    );
    assert.deepEqual([taken, refused], [1, 3]);
    // A make with the model of another, and the other way round, are both unknown.
    const crossed = `${UNITS}WE-07,Fellbrook,Seam 250,S7,North 1,1\r\nTI-07,Tuvellan,Furrow 80,S8,North 1,1\r\n`;
    assert.deepEqual(
      (await report('units', crossed)).lines.map((line) => line.taken),
      [false, false],
    );
    assert.deepEqual(
      lines.map((line) => [line.line, line.taken, line.what]),
      [
        [2, true, 'WE-03'],
        [3, false, 'WE-03'],
        [4, false, '(no tag)'],
        [5, false, 'WE-06'],
      ],
    );
    for (const line of lines.filter((one) => !one.taken)) assert.ok((line.why ?? '').length > 5);
    const page = await yard.read<{ unit: { trueHours: number } }>('/api/units/WE-03');
    assert.equal(page.unit.trueHours, 0);
    assert.equal((await yard.ask('GET', '/api/units/WE-06', { as: 'lead' })).status, 404);
  });

  test('what goes out goes in again; a unit that is gone is left out', async () => {
    const rows: Record<string, string>[] = parse(await get('units'), { columns: true });
    assert.deepEqual(
      rows.map((row) => [row['tag'], row['hours'], row['home_bay']]),
      [
        ['WE-01', '5', 'North 1'],
        ['WE-03', '0', 'North 1'],
      ],
    );
    const page = await yard.read<{ unit: { version: number } }>('/api/units/WE-03', 'lead');
    await yard.ask('PATCH', '/api/units/WE-03', {
      as: 'lead',
      body: { gone: { why: 'Sold' } },
      headers: { 'If-Match': `"${page.unit.version}"` },
    });
    assert.doesNotMatch(await get('units'), /WE-03/);
  });

  test('hires: by unit and by class, only those to come or out, in their order', async () => {
    const csv =
      'reference,class,tag,from,to\r\nZ-2,welder,,2030-06-03T08:00:00Z,2030-06-04T08:00:00Z\r\nZ-1,welder,WE-01,2030-06-01T08:00:00Z,2030-06-02T08:00:00Z\r\n,welder,,2030-06-01T08:00:00Z,2030-06-02T08:00:00Z\r\nZ-3,welder,WE-99,2030-06-01T08:00:00Z,2030-06-02T08:00:00Z\r\nZ-4,welder,WE-01,2030-06-01T20:00:00Z,2030-06-02T20:00:00Z\r\n';
    const { lines } = await report('hires', csv);
    assert.deepEqual(
      lines.map((line) => [line.what, line.taken]),
      [
        ['Z-2', true],
        ['Z-1', true],
        ['(no reference)', false],
        ['Z-3', false],
        ['Z-4', false],
      ],
    );
    assert.equal(
      await get('hires'),
      'reference,class,tag,from,to\r\nZ-1,welder,WE-01,2030-06-01T08:00:00.000Z,2030-06-02T08:00:00.000Z\r\nZ-2,welder,,2030-06-03T08:00:00.000Z,2030-06-04T08:00:00.000Z\r\n',
    );
    await yard.ask('POST', '/api/hires/Z-2/cancel', { as: 'counter' });
    assert.doesNotMatch(await get('hires'), /Z-2/);
  });

  test('parts: pieces before their kits, old numbers last, with what lies on the shelf', async () => {
    const head = 'number,name,cents,place,count,superseded_by,kit_of\r\n';
    const csv = `${head}TV-10,Gasket,300,A1,7,,\r\nTV-11,Needle,450,A2,2,,\r\nAB-1,Carburettor kit,1500,B1,1,,TV-10*2 TV-11\r\nTV-9,,,,,TV-10,\r\n`;
    assert.equal((await report('parts', csv)).taken, 4);
    assert.deepEqual((await get('parts')).split('\r\n').slice(1, -1), [
      'TV-10,Gasket,300,A1,7,,',
      'TV-11,Needle,450,A2,2,,',
      'AB-1,Carburettor kit,1500,B1,1,,TV-10*2 TV-11*1',
      'TV-9,,,,,TV-10,',
    ]);
    const { lines } = await report(
      'parts',
      `${head}AB-2,Kit,1,B1,1,,TV-99\r\nAB-3,Kit,1,B1,1,,TV-10*0\r\nAB-4,Kit,1,B1,1,,TV-10*x2\r\nAB-5,Kit,1,B1,1,,TV-10*200\r\nAB-6,Kit,1,B1,1,,TV-10*12\r\nTV-10,,,,,TV-9,\r\nTV-9,,,,,TV-11,\r\nTV-9,,,,,TV-10,\r\n`,
    );
    assert.deepEqual(
      lines.map((line) => [line.what, line.taken, line.why?.match(/kit_of: [^)]+|loop|fork/)?.[0]]),
      [
        ['AB-2', false, 'kit_of: TV-99'],
        ['AB-3', false, 'kit_of: TV-10*0'],
        ['AB-4', false, 'kit_of: TV-10*X2'],
        ['AB-5', false, 'kit_of: TV-10*200'],
        ['AB-6', true, undefined],
        ['TV-10', false, 'loop'],
        ['TV-9', false, 'fork'],
        ['TV-9', true, undefined],
      ],
    );
    assert.doesNotMatch(await get('parts'), /AB-[2345]/);
    assert.match(await get('parts'), /AB-6,Kit,1,B1,1,,TV-10\*12\r\n/);
  });

  test('a cell that a spreadsheet would run stays text; a number stays a number', () => {
    const cells = ['=1+1', '+cmd', '-cmd', '@sum', '\tx', '-5', '+5.5', 'a,b', 'say "x"', null, 7];
    assert.deepEqual(
      parse(
        writeCsv(
          ['c'],
          cells.map((c) => ({ c })),
        ),
      )
        .slice(1)
        .map(([cell]: string[]) => cell),
      ["'=1+1", "'+cmd", "'-cmd", "'@sum", "'\tx", '-5', '+5.5', 'a,b', 'say "x"', '', '7'],
    );
  });

  test('only who may', async () => {
    assert.equal((await put('units', UNITS, 'counter')).status, 403);
  });
});

import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import { readFleetText, type FleetText } from './readFleetText';

const machine = (id: string, hour = '12.3', at = '2030-05-06T06:00:00Z'): string =>
  `<Equipment><EquipmentHeader><EquipmentID>${id}</EquipmentID></EquipmentHeader>
<CumulativeOperatingHours datetime="${at}"><Hour>${hour}</Hour></CumulativeOperatingHours></Equipment>`;
const fleet = (...machines: string[]): string =>
  ['<?xml version="1.0"?>', '<Fleet>', ...machines, '</Fleet>'].join('\n');
const of = (text: string, timeZone = 'Europe/Berlin'): FleetText => readFleetText(text, { timeZone });
const read = (...machines: string[]): Extract<FleetText, { ok: true }> => {
  const found = of(fleet(machine('A'), ...machines, machine('Z')));
  assert.ok(found.ok, JSON.stringify(found));
  return found;
};

describe('each machine is taken or refused by itself, with its line', () => {
  for (const [problem, name, text] of [
    ['unreadable', 'N', machine('N', '1\0')],
    ['unreadable', 'N', machine('N').replace('<Hour>', '<Hour a=b>')],
    ['unreadable', 'N&nbsp;', machine('N&nbsp;')],
    ['odd-signs', '?', machine('N\ufffd')],
    ['no-name', '?', machine('')],
    ['no-hours', 'N', machine('N', '-1')],
    ['no-hours', 'N', machine('N', '1e9')],
    ['no-hours', 'N', machine('N', '99999999')],
    ['no-hours', 'N', machine('N', 'NaN')],
    ['no-time', 'N', machine('N', '1', 'GARBAGE')],
    ['no-time', 'N', machine('N', '1', 'May 6 2030')],
    ['no-time', 'N', machine('N', '1', '2030-02-31T00:00:00Z')],
    ['no-time', 'N', machine('N', '1', '1000-01-01T00:00:00Z')],
  ] as const)
    test(`${problem}: ${JSON.stringify(text.slice(50, 80))}`, () => {
      const found = read(text);
      assert.deepEqual(
        found.machines.map(({ equipmentId }) => equipmentId),
        ['A', 'Z'],
      );
      // Behind the declaration, the fleet and the first machine's two lines.
      assert.deepEqual(found.problems, [{ line: 5, name, problem }]);
    });
});

describe('what is no fleet, or half of one, is refused whole', () => {
  for (const [problem, text] of [
    ['nonsense', ''],
    ['nonsense', '<h1>Back soon</h1>'],
    [
      'nonsense',
      fleet(machine('A')).replace('<Fleet>', '<!DOCTYPE Fleet [<!ENTITY x SYSTEM "file:///etc/passwd">]><Fleet>'),
    ],
    ['cut-short', fleet(machine('A')).slice(0, -20)],
    ['cut-short', fleet(machine('A')).slice(0, 80)],
    ['cut-short', fleet('</Equipment>', machine('A'))],
    ['too-many', fleet(...Array.from({ length: 20_001 }, () => '<Equipment/>'))],
  ] as const)
    test(`${problem}: ${JSON.stringify(text.slice(0, 60))}`, () => {
      assert.deepEqual(of(text), { ok: false, problem });
    });
});

test('a time without a zone is the yard’s, one with a zone its own', () => {
  const at = (time: string, zone: string): string | undefined => {
    const found = of(fleet(machine('A', '1', time)), zone);
    return found.ok ? found.machines[0]?.readAt.toISOString() : undefined;
  };
  assert.equal(at('2030-05-06T06:00:00', 'Europe/Berlin'), '2030-05-06T04:00:00.000Z');
  assert.equal(at('2030-05-06T06:00:00', 'America/Denver'), '2030-05-06T12:00:00.000Z');
  assert.equal(at('2030-05-06T06:00:00+02:00', 'America/Denver'), '2030-05-06T04:00:00.000Z');
});

test('of a machine that comes twice the later time counts, in whatever order; names have any prefix', () => {
  const text = fleet(machine('A', '5', '2030-05-06T07:00:00Z'), machine('A', '4', '2030-05-06T06:00:00Z'));
  const found = of(text.replaceAll(/<(\/?)([A-Z])/g, '<$1f:$2').replace('<f:Fleet', '<f:Fleet xmlns:f="urn:x"'));
  assert.ok(found.ok);
  assert.deepEqual(
    found.machines.map(({ reading, line }) => [reading, line]),
    [[5, 3]],
  );
});

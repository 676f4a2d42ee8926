import { DEFECT_ORIGINS, explainedBy, lookRefusal, NEVER_LOOKED_AT, sayCloser, type DefectOrigin } from './index';
import { FAULTS } from '../catalogue';

const at = '2030-03-04T10:00:00Z';
const defect = (origin: DefectOrigin, seenAt = '2030-03-04T09:00:00Z') => ({ origin, sentence: 'It is so.', seenAt });
const look = { at, how: 'put-right', off: [] } as const;
const SOCKETS: DefectOrigin = { kind: 'check', id: 'sockets', exception: 'damaged' };

describe('whether a look closes', () => {
  test('a look in order closes what a check found, what was written by hand, a wait that ended badly', () => {
    for (const origin of [
      SOCKETS,
      { kind: 'by-hand', id: '1' },
      { kind: 'clock', id: 'drip-test' },
      { kind: 'kit', id: 'key' },
    ] as const)
      expect([origin, lookRefusal(defect(origin), look)]).toEqual([origin, null]);
  });

  test('not when it is older than the last sighting; at the same moment it does', () => {
    const seenAt = '2030-03-04T10:00:01Z';
    expect(lookRefusal(defect(SOCKETS, seenAt), look)).toEqual({ code: 'look-too-old', seenAt });
    expect(lookRefusal(defect(SOCKETS, at), look)).toBeNull();
  });

  test('not while anything of that system is off; what nobody named a system for may be of it', () => {
    const off = (system?: string) => [{ what: 'Cover', system }];
    const asked = (things: ReturnType<typeof off>, origin: DefectOrigin = SOCKETS) =>
      lookRefusal(defect(origin), { ...look, off: things, system: 'electric' });
    expect(asked(off('electric'))).toEqual({ code: 'things-off', things: ['Cover'] });
    expect(asked(off())).toEqual({ code: 'things-off', things: ['Cover'] });
    expect(asked(off('fuel'))).toBeNull();
    expect(asked(off('fuel'), { kind: 'by-hand', id: '1' })).toEqual({ code: 'things-off', things: ['Cover'] });
  });

  test('a cause and what was told are put right by a proof; a look may say that they were not so', () => {
    for (const kind of ['cause', 'told'] as const) {
      expect(lookRefusal(defect({ kind, id: 'x' }), look)).toEqual({ code: 'closes-otherwise' });
      expect(lookRefusal(defect({ kind, id: 'x' }), { ...look, how: 'was-all-right' })).toBeNull();
      // The signature under work that asks no proof: a new scraper is seen.
      expect(lookRefusal(defect({ kind, id: 'x' }), { ...look, signsWork: true })).toBeNull();
    }
  });

  test('what an event closes is closed by no look', () => {
    for (const kind of ['unit', 'reading'] as const)
      for (const how of ['put-right', 'was-all-right'] as const)
        expect(lookRefusal(defect({ kind, id: 'x' }), { ...look, how, signsWork: true })).toEqual({
          code: 'closes-otherwise',
        });
  });
});

test('each origin says what closes it; what could not be looked at says so', () => {
  for (const kind of DEFECT_ORIGINS) expect(sayCloser({ kind, id: 'x' })).toMatch(/^Closes (when|with) .*\.$/);
  for (const exception of ['could-not-look', 'not-possible'])
    expect(sayCloser({ kind: 'check', id: 'x', exception })).toBe('Closes when somebody has looked.');
  expect(sayCloser(SOCKETS)).not.toBe('Closes when somebody has looked.');
});

test('a unit that nobody has looked at holds, and nobody waives it', () =>
  expect([NEVER_LOOKED_AT.weight, NEVER_LOOKED_AT.safety]).toEqual(['hold', true]));

test('a cause explains what it often shows, and not what it hardly does', () => {
  const causes = ['main-jet-blocked', 'kill-circuit-grounded'] as const;
  expect(explainedBy(FAULTS, causes, { observation: 'under-load', outcome: 'dies' })).toContain('main-jet-blocked');
  expect(explainedBy(FAULTS, causes, { observation: 'ram', outcome: 'slow' })).toEqual([]);
  expect(explainedBy(FAULTS, [], { observation: 'under-load', outcome: 'dies' })).toEqual([]);
});

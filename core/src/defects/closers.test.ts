import { checksOf, classOf, DERIVED_FINDINGS, FAULTS, FIND_FAULT, PROOF_NEEDS_OF } from '../catalogue';
import {
  asksProof,
  DEFECT_ORIGINS,
  explainedBy,
  lookRefusal,
  NEVER_LOOKED_AT,
  remedyOf,
  sayCloser,
  type DefectOrigin,
} from './index';

const at = '2030-03-04T10:00:00Z';
const defect = (origin: DefectOrigin, seenAt = '2030-03-04T09:00:00Z', more: object = {}) => ({
  ...{ origin, sentence: 'It is so.', seenAt, safety: false, sightings: 1, asksProof: false },
  ...more,
});
const look = { at, how: 'put-right', off: [], workedAt: null, byLead: false, witnessed: false } as const;
const SOCKETS: DefectOrigin = { kind: 'check', id: 'sockets', exception: 'damaged' };

describe('whether a look closes', () => {
  test('a look in order closes what a check found and asks no proof, what was written by hand, what is counted in', () => {
    for (const origin of [
      SOCKETS,
      { kind: 'by-hand', id: '1' },
      { kind: 'stays-off', id: '1' },
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
    for (const kind of ['cause', 'told', 'clock', 'look'] as const) {
      expect(lookRefusal(defect({ kind, id: 'x' }), look)).toEqual({ code: 'needs-proof' });
      expect(lookRefusal(defect({ kind, id: 'x' }), { ...look, how: 'was-all-right' })).toBeNull();
      // The signature under work that asks no proof: a new scraper is seen.
      expect(lookRefusal(defect({ kind, id: 'x' }), { ...look, signsWork: true })).toBeNull();
    }
  });

  test('a look is no repair: where that is proved, it can only say that it was all right', () => {
    const gun = defect({ kind: 'check', id: 'gun', exception: 'x' }, undefined, { asksProof: true });
    expect(lookRefusal(gun, look)).toEqual({ code: 'needs-proof' });
    expect(lookRefusal(gun, { ...look, how: 'was-all-right' })).toBeNull();
    expect(lookRefusal(gun, { ...look, signsWork: true })).toBeNull();
  });

  test('of what was seen twice a lead says so, or two people', () => {
    const twice = defect(SOCKETS, undefined, { asksProof: true, sightings: 2 });
    const right = { ...look, how: 'was-all-right' } as const;
    expect(lookRefusal(twice, right)).toEqual({ code: 'second-wanted', why: 'seen-twice' });
    expect([lookRefusal(twice, { ...right, byLead: true }), lookRefusal(twice, { ...right, witnessed: true })]).toEqual(
      [null, null],
    );
    expect(lookRefusal({ ...twice, asksProof: false }, right)).toBeNull();
  });

  test('of what was told and is dangerous two people say so, a lead too', () => {
    const shock = defect({ kind: 'told', id: 'got-shock' }, undefined, { safety: true });
    const right = { ...look, how: 'was-all-right', byLead: true } as const;
    expect(lookRefusal(shock, right)).toEqual({ code: 'second-wanted', why: 'danger' });
    expect(lookRefusal(shock, { ...right, witnessed: true })).toBeNull();
  });

  test('not when it was worked on there after it', () => {
    const workedAt = '2030-03-04T10:30:00Z';
    expect(lookRefusal(defect(SOCKETS), { ...look, workedAt })).toEqual({ code: 'worked-since', at: workedAt });
    expect(lookRefusal(defect(SOCKETS), { ...look, workedAt: at })).toBeNull();
  });

  test('what an event closes is closed by no look', () => {
    for (const kind of ['unit', 'reading', 'hours'] as const)
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

describe('what puts it right', () => {
  const known = {
    checks: checksOf(classOf('generator')),
    derived: DERIVED_FINDINGS,
    findFault: FIND_FAULT,
  };
  const proof = (origin: DefectOrigin) => asksProof(remedyOf(origin, known), PROOF_NEEDS_OF);
  test.each<[DefectOrigin, boolean]>([
    [{ kind: 'check', id: 'fuel-leak', exception: 'carburettor' }, true],
    [{ kind: 'check', id: 'volts', exception: 'low' }, true],
    [{ kind: 'check', id: 'sockets', exception: 'damaged' }, false],
    [{ kind: 'check', id: 'clean', exception: 'dirty' }, false],
    [{ kind: 'check', id: 'fuel-leak', exception: 'could-not-look' }, false],
    [{ kind: 'check', id: 'no-such', exception: 'x' }, false],
    [{ kind: 'derived', id: 'fuel-in-oil' }, true],
    [{ kind: 'derived', id: 'tap-found-open' }, false],
    [{ kind: 'told', id: 'hunts' }, true],
    [{ kind: 'cause', id: 'main-jet-blocked' }, true],
    [{ kind: 'kit', id: 'key' }, false],
    [{ kind: 'by-hand', id: '1' }, false],
  ])('%j asks a proof: %s', (origin, is) => expect(proof(origin)).toBe(is));
});

import type { BenchReply } from '@hudrik/core/contracts';

const AT = new Date('2030-05-06T07:30:00Z');

type Visit = BenchReply['visits'][number];

export const benchVisit = (id: string, tag: string, more: Partial<Visit> = {}): Visit => ({
  id,
  jobId: `7${id}`,
  tag,
  classId: 'generator',
  readiness: 'held',
  because: [],
  titles: ['Clear the main jet'],
  state: 'waiting',
  hire: null,
  part: null,
  instead: null,
  what: { a: 'Clear the main jet', w: 'Drip test', b: 'Proof' },
  givenTo: null,
  pinnedAt: null,
  inHandBy: null,
  ...more,
});

const asked = (id: string): BenchReply['asked']['visits'][number] => ({
  id,
  phases: [
    { id: 'a', hands: true, minutes: 30, spread: 0.3 },
    { id: 'w', hands: false, minutes: 120, spread: 0.1 },
    { id: 'b', hands: true, minutes: 20, spread: 0.3 },
  ],
  releaseAt: 0,
  dueAt: null,
  centsPerMinuteLate: 30,
  centsPerMinuteWaiting: 1,
  who: ['2', '1'],
  inHand: false,
  pinnedAt: null,
  away: [],
  seen: null,
});

/** Two units, the first with a drip test, on a Monday morning from half past seven. */
export function sampleBench(more: Partial<BenchReply> = {}): BenchReply {
  const phase = (visitId: string, phaseId: string, who: string | null, from: number, to: number) => ({
    ...{ visitId, phaseId, who, from, to },
  });
  return {
    now: AT.toISOString(),
    at: AT.toISOString(),
    minutesSince: 0,
    people: [
      { id: '2', name: 'Ivo Tarnwell', role: 'technician' },
      { id: '1', name: 'Runa Veldt', role: 'lead' },
    ],
    visits: [benchVisit('1', 'GE-07'), benchVisit('2', 'PW-12', { titles: ['Pump seals'] })],
    asked: {
      visits: [asked('1'), asked('2')],
      technicians: [
        {
          id: '2',
          shifts: [
            [0, 270],
            [300, 540],
            [1440, 1710],
          ],
          places: 4,
        },
        { id: '1', shifts: [[330, 450]], places: 4 },
      ],
      centsPerMove: 1500,
    },
    plan: {
      phases: [
        phase('1', 'a', '2', 0, 30),
        phase('1', 'w', null, 30, 150),
        phase('1', 'b', '2', 150, 170),
        phase('2', 'a', '2', 30, 60),
        phase('2', 'w', null, 60, 180),
        phase('2', 'b', '2', 180, 200),
      ],
      visits: [
        { id: '1', who: '2', from: 0, to: 170, lateMinutes: 0, cents: 170 },
        { id: '2', who: '2', from: 30, to: 200, lateMinutes: 0, cents: 200 },
      ],
      beyond: [],
      nobody: [],
      cents: 370,
      order: {
        '2': [
          { visitId: '1', phaseId: 'a' },
          { visitId: '2', phaseId: 'a' },
          { visitId: '1', phaseId: 'b' },
          { visitId: '2', phaseId: 'b' },
        ],
        '1': [],
      },
    },
    promises: [
      { id: '1', inTime: 0.84, eightInTen: 195 },
      { id: '2', inTime: null, eightInTen: 230 },
    ],
    advice: [],
    changes: [],
    ...more,
  };
}

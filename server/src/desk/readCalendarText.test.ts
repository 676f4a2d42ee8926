import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import ICAL from 'node-ical';
import { readCalendarText, type CalendarText } from './readCalendarText';

const AT = new Date('2030-05-06T06:00:00Z');
const BERLIN = { timeZone: 'Europe/Berlin', at: AT };

const event = (...lines: string[]): string[] => ['BEGIN:VEVENT', ...lines, 'END:VEVENT'];
const good = (uid: string, ...more: string[]): string[] =>
  event(`UID:${uid}`, 'CATEGORIES:generator', 'DTSTART:20300508T080000Z', 'DTEND:20300509T080000Z', ...more);
const calendar = (...lines: string[]): string =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', ...lines, 'END:VCALENDAR'].join('\r\n');
const read = (lines: readonly string[], reading = BERLIN): Extract<CalendarText, { ok: true }> => {
  const found = readCalendarText(calendar(...lines), reading);
  assert.ok(found.ok, JSON.stringify(found));
  return found;
};
const timed = (start: string, end: string, zones: readonly string[] = [], reading = BERLIN) =>
  read([...zones, ...event('UID:a', 'CATEGORIES:generator', start, end)], reading);
const spanOf = (found: ReturnType<typeof timed>) => found.hires.map(({ fromAt, toAt }) => [fromAt, toAt]);

describe('each entry is taken or refused by itself, with its line', () => {
  const BROKEN: readonly (readonly [string, readonly string[], string | null])[] = [
    ['odd-signs', good('n\0ul'), null],
    ['odd-signs', good('cut', 'SUMMARY:half \ud83d of a sign'), null],
    ['odd-signs', good('bytes', 'SUMMARY:no \ufffd sign'), null],
    ['unreadable', good('no-colon', 'SUMMARY'), null],
    ['no-time', event('UID:g', 'CATEGORIES:generator', 'DTSTART:GARBAGE', 'DTEND:20300509T080000Z'), 'g'],
    ['no-time', event('UID:feb', 'CATEGORIES:generator', 'DTSTART:20300231T080000Z', 'DTEND:20300509T080000Z'), 'feb'],
    ['no-time', event('UID:none', 'CATEGORIES:generator', 'DTSTART:20300508T080000Z'), 'none'],
    [
      'absurd-time',
      event('UID:far', 'CATEGORIES:generator', 'DTSTART:99990101T080000Z', 'DTEND:99990102T080000Z'),
      'far',
    ],
    [
      'absurd-time',
      event('UID:old', 'CATEGORIES:generator', 'DTSTART:10000101T080000Z', 'DTEND:20300102T080000Z'),
      'old',
    ],
    [
      'absurd-time',
      event('UID:long', 'CATEGORIES:generator', 'DTSTART:20300508T080000Z', 'DTEND:20330508T080000Z'),
      'long',
    ],
    [
      'unknown-zone',
      event('UID:z', 'CATEGORIES:generator', 'DTSTART;TZID=Nowhere/At all:20300508T080000', 'DTEND:20300509T080000Z'),
      'z',
    ],
    ['no-uid', event('CATEGORIES:generator', 'DTSTART:20300508T080000Z', 'DTEND:20300509T080000Z'), null],
    ['no-uid', good('u'.repeat(300)), null],
    ['no-class', event('UID:c', 'CATEGORIES:crane', 'DTSTART:20300508T080000Z', 'DTEND:20300509T080000Z'), 'c'],
    ['repeats', good('r', 'RRULE:FREQ=DAILY'), 'r'],
    ['ends-before', event('UID:e', 'CATEGORIES:generator', 'DTSTART:20300508T080000Z', 'DTEND:20300507T080000Z'), 'e'],
    ['cut-off', good('open').slice(0, -1), null],
  ];
  for (const [problem, lines, uid] of BROKEN)
    test(`${problem}: ${JSON.stringify(lines[1]).slice(0, 30)}`, () => {
      const found = read([...good('first'), ...lines, ...good('last')]);
      assert.deepEqual(
        found.hires.map((hire) => hire.uid),
        ['first', 'last'],
      );
      // Behind the calendar's two lines and the six of the first.
      assert.deepEqual(found.problems, [{ line: 9, uid, problem }]);
    });

  test('an alarm or an unknown thing in an entry is in nobody’s way; of a UID that comes twice the later one counts', () => {
    const alarm = ['BEGIN:VALARM', 'ACTION:DISPLAY', 'TRIGGER:-PT15M', 'END:VALARM', 'X-OWN;A=b:c'];
    const found = read([...good('a', 'SUMMARY:First', ...alarm), ...good('a', 'SUMMARY:Orra')]);
    assert.deepEqual(
      found.hires.map(({ hirer, line }) => [hirer, line]),
      // Behind the calendar's two lines and the first entry's twelve.
      [['Orra', 15]],
    );
    assert.deepEqual(found.problems, []);
  });

  test('a name is cut between signs, never through one', () => {
    const [hire] = read(good('a', `SUMMARY:${'😀'.repeat(100)}`)).hires;
    assert.equal(hire?.hirer, '😀'.repeat(80));
  });
});

describe('what is no list, or half of one, is refused whole', () => {
  for (const [text, problem] of [
    ['', 'nonsense'],
    ['<h1>Back soon</h1>', 'nonsense'],
    [calendar(...good('a')).replace('END:VCALENDAR', ''), 'cut-short'],
    [calendar(...good('a')).slice(0, 60), 'cut-short'],
    [`END:VCALENDAR\r\nBEGIN:VCALENDAR`, 'cut-short'],
    [calendar(...Array.from({ length: 20_001 }, () => ['BEGIN:VEVENT', 'END:VEVENT']).flat()), 'too-many'],
  ] as const)
    test(`${problem}: ${JSON.stringify(text.slice(0, 40))}`, () => {
      assert.deepEqual(readCalendarText(text, BERLIN), { ok: false, problem });
    });
});

describe('when it is', () => {
  test('one moment in the three forms of RFC 5545 (3.3.5), by the name of a zone that is not defined', () => {
    const zones = { timeZone: 'Pacific/Auckland', at: new Date('1997-07-01T00:00:00Z') };
    const inUtc = timed('DTSTART:19970714T173000Z', 'DTEND:19970714T183000Z', [], zones);
    const named = 'TZID=America/New_York:19970714T';
    assert.deepEqual(spanOf(timed(`DTSTART;${named}133000`, `DTEND;${named}143000`, [], zones)), spanOf(inUtc));
    const newYork = { ...zones, timeZone: 'America/New_York' };
    const floating = timed('DTSTART:19970714T133000', 'DTEND:19970714T143000', [], newYork);
    assert.deepEqual(spanOf(floating), spanOf(inUtc));
    assert.deepEqual(
      [inUtc, floating].map(({ hires }) => hires[0]?.isYardsTime),
      [false, true],
    );
  });

  test('a day is the yard’s: from its midnight to the next, 23 hours when the clocks go forward', () => {
    const days = timed('DTSTART;VALUE=DATE:20300330', 'DTEND;VALUE=DATE:20300401');
    assert.deepEqual(spanOf(days), [['2030-03-29T23:00:00.000Z', '2030-03-31T22:00:00.000Z']]);
    const one = read(event('UID:a', 'CATEGORIES:generator', 'DTSTART;VALUE=DATE:20300331'));
    assert.deepEqual(spanOf(one), [['2030-03-30T23:00:00.000Z', '2030-03-31T22:00:00.000Z']]);
    assert.equal(one.hires[0]?.isYardsTime, true);
  });

  test('what lasts instead of ending', () => {
    const found = read(event('UID:a', 'CATEGORIES:generator', 'DTSTART:20300508T080000Z', 'DURATION:P1DT2H'));
    assert.deepEqual(spanOf(found), [['2030-05-08T08:00:00.000Z', '2030-05-09T10:00:00.000Z']]);
  });

  test('by the calendar’s own definition of a zone, as another parser reads it', () => {
    // The United States' rule for New York since 2007, as RFC 5545 (3.6.5) writes it, under a name that no list of zones has.
    const zone = [
      ...[
        'BEGIN:VTIMEZONE',
        'TZID:Our own',
        'BEGIN:DAYLIGHT',
        'DTSTART:20070311T020000',
        'RRULE:FREQ=YEARLY;BYMONTH=3;BYDAY=2SU',
      ],
      ...[
        'TZOFFSETFROM:-0500',
        'TZOFFSETTO:-0400',
        'TZNAME:EDT',
        'END:DAYLIGHT',
        'BEGIN:STANDARD',
        'DTSTART:20071104T020000',
      ],
      ...[
        'RRULE:FREQ=YEARLY;BYMONTH=11;BYDAY=1SU',
        'TZOFFSETFROM:-0400',
        'TZOFFSETTO:-0500',
        'TZNAME:EST',
        'END:STANDARD',
        'END:VTIMEZONE',
      ],
    ];
    for (const [month, utc] of [
      ['01', '13:00'],
      ['07', '12:00'],
    ] as const) {
      const ours = timed(
        `DTSTART;TZID=Our own:2030${month}10T080000`,
        `DTEND;TZID=Our own:2030${month}11T080000`,
        zone,
      );
      assert.equal(ours.hires[0]?.fromAt, `2030-${month}-10T${utc}:00.000Z`);
      const named = ['UID:a', `DTSTART;TZID=America/New_York:2030${month}10T080000`];
      const other = Object.values(ICAL.sync.parseICS(calendar(...event(...named)))).find(
        ({ type }) => type === 'VEVENT',
      );
      assert.equal(ours.hires[0]?.fromAt, (other as { start: Date }).start.toISOString());
    }
  });

  test('a zone whose definition cannot be read is looked up by its name', () => {
    const broken = ['BEGIN:VTIMEZONE', 'TZID:Europe/Berlin', 'nonsense', 'END:VTIMEZONE'];
    const found = timed('DTSTART;TZID=Europe/Berlin:20300508T080000', 'DTEND:20300509T080000Z', broken);
    assert.equal(found.hires[0]?.fromAt, '2030-05-08T06:00:00.000Z');
  });
});

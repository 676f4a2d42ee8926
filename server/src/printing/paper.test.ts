import assert from 'node:assert/strict';
import { after, describe, test } from 'node:test';
import type { CardReply, LogRecord, WaysReply } from '@hudrik/core/contracts';
import { sampleCard, sampleEntry, type CardMore } from '@hudrik/core/contracts/samples';
import type { CardKind, Facts } from '@hudrik/core/log';
import { cardSheet } from './cardPdf';
import { estimateSheet } from './estimatePdf';
import { paperPool } from './paperPool';
import { pagesOf } from '../testing/readPaper';
import { writingOf } from './writing';

const entry = <K extends CardKind>(kind: K, facts: Facts<K>): LogRecord => ({
  ...sampleEntry(kind, facts, 'Ivo'),
  at: '2030-03-04T09:30:00Z',
});

const thing = (n: number): LogRecord =>
  entry('taken-off', {
    thingId: `t${n}`,
    what: `Thing ${n}`,
    key: null,
    tray: 'A',
    place: n,
    fasteners: [{ count: 2, size: 'M6 × 20', place: 'studs' }],
    orientation: 'Arrow to the front',
    linkHole: '',
    stack: ['gasket', 'spacer'],
    quarterTurns: 5,
  });

const card = (entries: readonly LogRecord[], more: CardMore = {}): CardReply =>
  sampleCard(entries, {
    job: { caution: 'fuel-vapour', startedBy: 'Ivo', raisedAt: '2030-03-04T08:00:00Z' },
    parts: [
      {
        id: 'l',
        jobId: '7',
        tag: 'GE-07',
        asked: 'TV-1',
        number: 'TV-1',
        name: 'Gasket set',
        count: 2,
        cents: 790,
        state: 'used',
        place: 'Shelf 3',
        orderId: null,
        expectedAt: null,
        late: false,
        inStock: 0,
      },
    ],
    ...more,
  });

describe('paper', () => {
  const paper = paperPool();
  after(() => paper.stop());
  const settings = { yard: 'Hire yard', currency: 'EUR', locale: 'de-DE', timeZone: 'America/Denver' };
  const writing = writingOf(settings);

  test('a card says all that somebody else needs to go on, in the yard’s own time', async () => {
    const steps = {
      edition: 'now',
      from: 'start',
      steps: [{ stepId: 's', key: null, title: 'Clear the jet' }],
    } as const;
    const entries = [
      entry('steps-listed', steps),
      entry('step-done', { stepId: 's' }),
      thing(1),
      entry('note', { text: 'Cracked clamp, ½ turn' }),
    ];
    const [page = ''] = await pagesOf(await paper.make(cardSheet(card(entries), writing.day, 'http://yard.test')));
    for (const words of [
      'GE-07',
      'Clear the main jet',
      'Main jet blocked',
      'Clear the jet',
      'Ivo, 2030-03-04 02:30',
      'Thing 1',
      '2 × M6 × 20, studs',
      '1.25 turns',
      'TV-1',
      'Cracked clamp, ½ turn',
      'Proved and signed',
    ])
      assert.ok(page.includes(words), `“${words}” is missing in ${page}`);
    assert.match(page, /vapour/);
  });

  test('a long ledger goes over pages, its headings on each, no line cut in two', async () => {
    const entries = Array.from({ length: 120 }, (_, n) => thing(n + 1));
    const pages = await pagesOf(await paper.make(cardSheet(card(entries), writing.day, 'http://yard.test')));
    assert.ok(pages.length > 3);
    const withThings = pages.filter((page) => /Thing \d+/.test(page));
    for (const page of withThings) assert.match(page, /Fasteners How it sat/);
    const told = withThings.flatMap((page) => [...page.matchAll(/Thing (\d+)/g)].map(([, n]) => Number(n)));
    assert.deepEqual(
      told,
      entries.map((_, n) => n + 1),
    );
    // A row whose last cell went to the next page would leave its words there.
    for (const page of withThings)
      assert.equal((page.match(/1\.25 turns/g) ?? []).length, (page.match(/Thing \d+/g) ?? []).length);
  });

  test('an estimate is in the yard’s money, and says what nobody has looked at', async () => {
    const ways: WaysReply = {
      ways: [
        {
          way: 'mend',
          title: 'Clear the main jet',
          lowCents: 100_000,
          highCents: 150_000,
          handsCents: 123_456,
          partsCents: 0,
          daysCents: 0,
          riskCents: 0,
          comebackCents: 0,
          failCents: 0,
          wrongCents: 0,
          openCents: 0,
          valueCents: 0,
          costCents: 123_456,
        },
      ],
      flips: [{ input: 'holds', now: 0.85, at: 0.61, way: 'replace', title: 'Replace the carburettor' }],
      basis: [{ name: 'A day’s hire', value: 8500, unit: 'cents', whence: 'Our judgement.' }],
      causes: ['main-jet-blocked'],
      notLookedAt: ['the bowl'],
      given: {},
      notToBeHad: [],
    };
    const query = { state: 'dirty', risks: 'seized-fastener', access: 0 } as const;
    const sheet = estimateSheet({ card: card([]), ways, query, money: writing.money, origin: 'http://yard.test' });
    const [page = ''] = await pagesOf(await paper.make(sheet));
    for (const words of [
      // Rounded as money is.
      '1.230,00',
      'Clear the main jet',
      'between 1.000,00',
      'Rests on: A day’s hire: Our judgement.',
      'Not looked at yet: the bowl.',
      'If the odds that it holds were 61 in 100, not 85 in 100: replace the carburettor.',
      '7,90',
      'TV-1',
    ])
      assert.ok(page.includes(words), `“${words}” is missing in ${page}`);
  });

  test('several sheets at once are several papers', async () => {
    const made = await Promise.all(
      [1, 2, 3].map((n) => paper.make(cardSheet(card([thing(n)]), writing.day, 'http://yard.test'))),
    );
    const texts = await Promise.all(made.map(pagesOf));
    assert.deepEqual(
      texts.map(([page = '']) => /Thing (\d)/.exec(page)?.[1]),
      ['1', '2', '3'],
    );
  });
});

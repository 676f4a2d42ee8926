import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import { kindOf, LOG_KIND_IDS } from '@hudrik/core/log';
import { takersOf } from './takers';

describe('what a device may send', () => {
  for (const kind of LOG_KIND_IDS)
    test(`${kind}: somebody takes it, if somebody may send it`, () => {
      const mayBeSent = (kindOf(kind)?.who.length ?? 0) > 0;
      if (mayBeSent) assert.notEqual(takersOf(kind), undefined);
    });
});

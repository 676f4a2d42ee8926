import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import iconv from 'iconv-lite';
import { hasOddSigns, textOf } from './textOf';

const NAME = 'Zoë Ångström, Müller';
const textIn = (encoding: string, type: string, text = NAME, addBOM = false) =>
  textOf({ bytes: iconv.encode(text, encoding, { addBOM }), type });
const isRead = (found: ReturnType<typeof textIn>, text = NAME): void => assert.deepEqual(found, { ok: true, text });

describe('how a feed is written', () => {
  test('as its header says', () => {
    for (const charset of ['utf-8', 'ISO-8859-1', 'windows-1252', 'ISO-8859-15', 'utf-16le'])
      isRead(textIn(charset, `text/calendar; charset=${charset}`));
    isRead(textIn('latin1', 'text/calendar; charset="iso-8859-1"; method=PUBLISH'));
  });

  test('as its mark says, whatever the header', () => {
    for (const charset of ['utf-8', 'utf-16le', 'utf-16be'])
      isRead(textIn(charset, 'text/calendar; charset=iso-8859-1', NAME, true));
  });

  test('as an XML declaration says; without any, UTF-8 if it can be, else Latin-1', () => {
    const xml = `<?xml version="1.0" encoding="ISO-8859-2"?><a>Łódź</a>`;
    isRead(textIn('ISO-8859-2', 'application/xml', xml), xml);
    isRead(textIn('utf-8', ''));
    isRead(textIn('latin1', ''));
    isRead(textIn('latin1', 'text/calendar'));
  });

  test('what it cannot be is said', () => {
    assert.deepEqual(textIn('utf-8', 'text/html; charset=utf-8'), { ok: false, problem: 'other-type' });
    assert.deepEqual(textIn('utf-8', 'image/png'), { ok: false, problem: 'other-type' });
    assert.deepEqual(textIn('utf-8', 'text/calendar; charset=klingon'), { ok: false, problem: 'unknown-charset' });
    isRead(textIn('utf-8', 'no type at all'));
  });

  test('bytes that make no sign are seen', () => {
    const found = textOf({ bytes: Buffer.from([0x61, 0xed, 0xa0, 0xbd, 0x62]), type: 'text/calendar; charset=utf-8' });
    assert.ok(found.ok && hasOddSigns(found.text));
    for (const text of ['a\0b', 'a\x1bb', 'a\ud83d', '\udc00']) assert.ok(hasOddSigns(text), JSON.stringify(text));
    for (const text of ['Zoë\tÅ\r\nc', '😀', '']) assert.ok(!hasOddSigns(text), text);
  });
});

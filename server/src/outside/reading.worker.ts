import { readCalendarText } from '../desk/readCalendarText';
import { readFleetText } from '../equipment/readFleetText';
import type { ReadingAsked } from './readersPool';
import { textOf } from './textOf';

/** Runs in a worker of the pool: what strangers send is read where it can hold up nobody, and be ended from outside. */
export default function readList({ list, body, ...reading }: ReadingAsked): unknown {
  const decoded = textOf(body);
  if (!decoded.ok) return decoded;
  return list === 'calendar' ? readCalendarText(decoded.text, reading) : readFleetText(decoded.text, reading);
}

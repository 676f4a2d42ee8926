import { tz } from '@date-fns/tz';
import { parseISO } from 'date-fns/parseISO';
import { SaxesParser } from 'saxes';
import { hasOddSigns } from '../outside/textOf';

/** What one machine tells of itself. */
export interface Machine {
  /** As the feed names it: our tag where the yard gave it one. */
  readonly equipmentId: string;
  readonly serial: string;
  readonly reading: number;
  readonly readAt: Date;
  readonly latitude: number | null;
  readonly longitude: number | null;
  /** Where it begins in the text. */
  readonly line: number;
}

/** A machine of which something cannot be read: the rest is taken all the same. */
interface MachineProblem {
  readonly line: number;
  readonly name: string;
  readonly problem: 'unreadable' | 'odd-signs' | 'no-name' | 'no-hours' | 'no-time';
}

export type FleetText =
  | { readonly ok: true; readonly machines: readonly Machine[]; readonly problems: readonly MachineProblem[] }
  | { readonly ok: false; readonly problem: 'cut-short' | 'nonsense' | 'too-many' };

/** More machines than any yard has. */
const MOST_MACHINES = 20_000;
/** More than a meter can show. */
const MOST_HOURS = 1_000_000;
const OLDEST = Date.parse('2000-01-01T00:00:00Z');

/**
 * The machines of a fleet snapshot in the open form of ISO/TS 15143-3: `Fleet`, its `Equipment` with `EquipmentHeader` (`EquipmentID`,
 * `SerialNumber`), `CumulativeOperatingHours` with its `datetime` and `Hour`, and `Location`. The names are from memory of the published
 * schema. A text that is no such snapshot, or whose end is missing, is refused whole; a machine in which something is broken only by itself. A
 * document type is refused: it could name other files. Of a machine that comes twice the later time counts. Times without a zone are the yard's.
 */
export function readFleetText(text: string, { timeZone }: { readonly timeZone: string }): FleetText {
  const found = equipmentOf(text);
  if (found.problem) return { ok: false, problem: found.problem };
  if (found.equipment.length > MOST_MACHINES) return { ok: false, problem: 'too-many' };
  const read = found.equipment.map((one) => machineOf(one, timeZone));
  const machines = read
    .flatMap((one) => ('problem' in one ? [] : [one]))
    .sort((a, b) => a.readAt.getTime() - b.readAt.getTime());
  return {
    ok: true,
    machines: [...new Map(machines.map((one) => [nameOf(one), one])).values()],
    problems: read.flatMap((one) => ('problem' in one ? [one] : [])),
  };
}

/** One `Equipment` as it stands there: what is in it by its path, e.g. `EquipmentHeader/EquipmentID`, `CumulativeOperatingHours@datetime`. */
interface Equipment {
  readonly line: number;
  readonly said: Map<string, string>;
  isBroken: boolean;
}

function equipmentOf(text: string): {
  readonly equipment: Equipment[];
  readonly problem: 'cut-short' | 'nonsense' | null;
} {
  const equipment: Equipment[] = [];
  const open: string[] = [];
  let root: string | undefined;
  let isBroken = false;
  let hasType = false;
  const inside = (): Equipment | undefined => (open[1] === 'Equipment' ? equipment.at(-1) : undefined);
  const path = (): string => open.slice(2).join('/');
  const parser = new SaxesParser({ position: true });
  parser.on('doctype', () => (hasType = true));
  parser.on('error', () => {
    const one = inside();
    if (one) one.isBroken = true;
    else isBroken = true;
  });
  parser.on('opentag', ({ name, attributes }) => {
    open.push(plain(name));
    root ??= open[0];
    if (open.length === 2 && open[1] === 'Equipment')
      equipment.push({ line: parser.line, said: new Map(), isBroken: false });
    for (const [key, value] of Object.entries(attributes)) inside()?.said.set(`${path()}@${plain(key)}`, value.trim());
  });
  parser.on('text', (words) => {
    if (words.trim() !== '') inside()?.said.set(path(), words.trim());
  });
  parser.on('closetag', () => open.pop());
  parser.write(text).close();
  if (root !== 'Fleet' || hasType) return { equipment, problem: 'nonsense' };
  return { equipment, problem: isBroken || open.length > 0 ? 'cut-short' : null };
}

/** A name without its namespace. */
const plain = (name: string): string => name.slice(name.indexOf(':') + 1);

const nameOf = ({ equipmentId, serial }: Pick<Machine, 'equipmentId' | 'serial'>): string => equipmentId || serial;

function machineOf({ line, said, isBroken }: Equipment, timeZone: string): Machine | MachineProblem {
  const textIn = (path: string): string => said.get(path) ?? '';
  const numberIn = (path: string): number | null =>
    /^-?\d{1,12}(\.\d{1,20})?$/.test(textIn(path)) ? Number(textIn(path)) : null;
  const [equipmentId, serial] = [textIn('EquipmentHeader/EquipmentID'), textIn('EquipmentHeader/SerialNumber')];
  const name = nameOf({ equipmentId, serial });
  const failed = (problem: MachineProblem['problem']): MachineProblem => ({
    line,
    name: name.slice(0, 80) || '?',
    problem,
  });
  if (isBroken) return failed('unreadable');
  if (hasOddSigns(name)) return { line, name: '?', problem: 'odd-signs' };
  if (name === '') return failed('no-name');
  const reading = numberIn('CumulativeOperatingHours/Hour');
  if (reading === null || reading < 0 || reading > MOST_HOURS) return failed('no-hours');
  const readAt = new Date(parseISO(textIn('CumulativeOperatingHours@datetime'), { in: tz(timeZone) }).getTime());
  if (Number.isNaN(readAt.getTime()) || readAt.getTime() < OLDEST) return failed('no-time');
  const [latitude, longitude] = [numberIn('Location/Latitude'), numberIn('Location/Longitude')];
  const isPlace = latitude !== null && longitude !== null && Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180;
  return {
    ...{ line, equipmentId, serial, readAt },
    // A meter shows tenths.
    reading: Math.floor(reading * 10 + 1e-6) / 10,
    ...(isPlace ? { latitude, longitude } : { latitude: null, longitude: null }),
  };
}

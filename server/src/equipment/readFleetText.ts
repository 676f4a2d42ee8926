import { XMLParser, XMLValidator } from 'fast-xml-parser';

/** What one machine tells of itself. */
export interface Machine {
  /** As the feed names it: our tag where the yard gave it one. */
  readonly equipmentId: string;
  readonly serial: string;
  readonly reading: number;
  readonly readAt: Date;
  readonly latitude: number | null;
  readonly longitude: number | null;
}

/** A machine of which something cannot be read: the rest is taken all the same. */
interface MachineProblem {
  readonly name: string;
  readonly problem: 'no-name' | 'no-hours' | 'no-time';
}

export type FleetText =
  | { readonly ok: true; readonly machines: readonly Machine[]; readonly problems: readonly MachineProblem[] }
  | { readonly ok: false; readonly problem: 'cut-short' | 'nonsense' };

const MANY = ['Equipment'];
const parser = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  removeNSPrefix: true,
  parseTagValue: false,
  isArray: (name) => MANY.includes(name),
});

/**
 * The machines of a fleet snapshot in the open form of ISO/TS 15143-3: `Fleet`, its `Equipment` with `EquipmentHeader` (`EquipmentID`,
 * `SerialNumber`), `CumulativeOperatingHours` with its `datetime` and `Hour`, and `Location`. The names are from memory of the published
 * schema. A text that is no such snapshot, or whose end is missing, is refused whole. Of a machine that comes twice the later time counts.
 */
export function readFleetText(text: string): FleetText {
  if (!/<(\w+:)?Fleet[\s>]/.test(text)) return { ok: false, problem: 'nonsense' };
  if (XMLValidator.validate(text) !== true) return { ok: false, problem: 'cut-short' };
  const equipment = listOf(inside(inside(parser.parse(text), 'Fleet'), 'Equipment'));
  const read = equipment.map(machineOf);
  return {
    ok: true,
    machines: read
      .flatMap((one) => ('problem' in one ? [] : [one]))
      .sort((a, b) => a.readAt.getTime() - b.readAt.getTime()),
    problems: read.flatMap((one) => ('problem' in one ? [one] : [])),
  };
}

function machineOf(equipment: unknown): Machine | MachineProblem {
  const header = inside(equipment, 'EquipmentHeader');
  const [equipmentId, serial] = [textIn(header, 'EquipmentID'), textIn(header, 'SerialNumber')];
  const name = equipmentId || serial;
  if (name === '') return { name: '?', problem: 'no-name' };
  const hours = inside(equipment, 'CumulativeOperatingHours');
  const reading = numberIn(hours, 'Hour');
  if (reading === null || reading < 0) return { name, problem: 'no-hours' };
  const readAt = new Date(textIn(hours, '@datetime'));
  if (Number.isNaN(readAt.getTime())) return { name, problem: 'no-time' };
  const place = inside(equipment, 'Location');
  const [latitude, longitude] = [numberIn(place, 'Latitude'), numberIn(place, 'Longitude')];
  const isPlace = latitude !== null && longitude !== null && Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180;
  return {
    ...{ equipmentId, serial, readAt },
    // A meter shows tenths.
    reading: Math.floor(reading * 10 + 1e-6) / 10,
    ...(isPlace ? { latitude, longitude } : { latitude: null, longitude: null }),
  };
}

const inside = (node: unknown, name: string): unknown =>
  typeof node === 'object' && node !== null ? (node as Readonly<Record<string, unknown>>)[name] : undefined;

const listOf = (node: unknown): unknown[] => (Array.isArray(node) ? node : []);

function textIn(node: unknown, name: string): string {
  const found = inside(node, name);
  return typeof found === 'string' ? found.trim() : '';
}

function numberIn(node: unknown, name: string): number | null {
  const text = textIn(node, name);
  return /^-?\d+(\.\d+)?$/.test(text) ? Number(text) : null;
}

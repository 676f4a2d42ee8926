import {
  sheetCapacity,
  sheetMeasure,
  sheetNote,
  sheetOil,
  sheetPart,
  sheetTorque,
  type DataSheet,
} from '@hudrik/core/contracts';
import type { AnyObjectSchema } from 'yup';
import { sayRange } from '@/features/sheet';
import { sayFull } from '@/writing';
import type { LineField } from './SheetLines';

export type ListKey = 'torques' | 'oils' | 'capacities' | 'measures' | 'notes' | 'parts';
type LineOf<K extends ListKey> = DataSheet[K][number];

interface SheetSection<K extends ListKey = ListKey> {
  readonly key: K;
  readonly title: string;
  readonly one: string;
  readonly schema: AnyObjectSchema;
  readonly fields: readonly LineField[];
  readonly say: (line: LineOf<K>) => string;
}

const words = (key: string, label: string): LineField => ({ key, label, kind: 'words' });
const figure = (key: string, label: string): LineField => ({ key, label, kind: 'figure' });
const openFigure = (key: string, label: string): LineField => ({
  key,
  label,
  kind: 'words',
  read: (text) => (text.trim() === '' ? null : Number(text.replace(',', '.').replace('−', '-'))),
  write: (value) => (typeof value === 'number' ? String(value) : ''),
});
const one = (key: string, label: string, options: readonly string[]): LineField => ({
  key,
  label,
  kind: 'one',
  options: options.map((option) => [option, option]),
});
const bolts = (key: string, label: string): LineField => ({
  key,
  label,
  kind: 'words',
  read: (text) =>
    text
      .split(/[\s,-]+/)
      .filter(Boolean)
      .map(Number),
  write: (value) => (Array.isArray(value) ? value.join('-') : ''),
});

const sections = <K extends ListKey>(section: SheetSection<K>): SheetSection<K> => section;
const joined = (...parts: readonly (string | false)[]): string =>
  parts.filter((part) => part !== false && part !== '').join(', ');

const TORQUES = sections<'torques'>({
  key: 'torques',
  title: 'Torques',
  one: 'torque',
  schema: sheetTorque,
  fields: [
    words('what', 'What is tightened'),
    figure('value', 'Torque'),
    one('unit', 'Unit', ['lbf·ft', 'lbf·in', 'N·m']),
    one('threads', 'Threads', ['dry', 'oiled']),
    bolts('order', 'Order of the bolts, as 1-3-2-4 (open: none of its own)'),
    bolts('long', 'Holes that take long bolts, as 1-3'),
  ],
  say: ({ what, value, unit, threads, order, long }) =>
    joined(
      `${what} ${sayFull(value)} ${unit}`,
      threads,
      order.length > 0 && order.join('-'),
      long.length > 0 && `long in ${long.join(' and ')}`,
    ),
});

const OILS = sections<'oils'>({
  key: 'oils',
  title: 'Oils, by the coldest start',
  one: 'kind of oil',
  schema: sheetOil,
  fields: [
    words('where', 'Where it goes: engine, gearbox, pump'),
    words('grade', 'Grade'),
    openFigure('fromC', 'From, °C (open)'),
    openFigure('toC', 'to, °C (open)'),
  ],
  say: ({ where, grade, fromC, toC }) => joined(where, grade, sayRange(fromC, toC, '°C')),
});

const CAPACITIES = sections<'capacities'>({
  key: 'capacities',
  title: 'Capacities',
  one: 'capacity',
  schema: sheetCapacity,
  fields: [
    words('what', 'Of what'),
    figure('value', 'How much'),
    one('unit', 'Unit', ['L', 'mL', 'US gal', 'US fl oz']),
  ],
  say: ({ what, value, unit }) => `${what}, ${sayFull(value)} ${unit}`,
});

const MEASURES = sections<'measures'>({
  key: 'measures',
  title: 'Measures: stems, belts, sheaves, shims',
  one: 'measure',
  schema: sheetMeasure,
  fields: [
    words('name', 'What is measured'),
    words('place', 'Where (optional)'),
    one('unit', 'Unit', ['mm', 'in', 'thou', 'psi', 'bar', 'V', 'ohm', 'drops/min', 'turns']),
    openFigure('from', 'Right from (open)'),
    openFigure('to', 'to (open)'),
  ],
  say: ({ name, place, from, to, unit }) => joined(name, place, sayRange(from, to, unit)),
});

const PLACE_WORDS = [
  ['check-in', 'At check-in'],
  ['finding', 'In fault finding'],
  ['card', 'On the card'],
  ['check-out', 'When it goes out'],
] as const;

const NOTES = sections<'notes'>({
  key: 'notes',
  title: 'Notes that stand for every one of them',
  one: 'note',
  schema: sheetNote,
  fields: [words('text', 'Note'), { key: 'places', label: 'Where it shows', kind: 'several', options: PLACE_WORDS }],
  say: ({ text }) => text,
});

const PARTS = sections<'parts'>({
  key: 'parts',
  title: 'Parts of this model',
  one: 'part',
  schema: sheetPart,
  fields: [
    words('name', 'What it is called'),
    words('place', 'Where it sits'),
    {
      key: 'number',
      label: 'Number (open: nobody knows it yet)',
      kind: 'words',
      read: (text) => (text.trim() === '' ? null : text.trim().toUpperCase()),
      write: (value) => (typeof value === 'string' ? value : ''),
    },
    figure('count', 'How many'),
    words('kit', 'Bought in the set (optional)'),
  ],
  say: ({ name, place, number, count, kit }) =>
    joined(`${count} × ${name}`, place, number ?? 'number unknown', kit !== '' && `set: ${kit}`),
});

/** The lists of a data sheet, each with the fields of its lines. */
export const SHEET_SECTIONS = [TORQUES, OILS, CAPACITIES, MEASURES, NOTES, PARTS] as const;

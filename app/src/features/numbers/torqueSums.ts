import type { SheetTorque } from '@hudrik/core/contracts';
import { readPositive } from '@hudrik/core/figures';
import { tighteningPattern, torqueRounds, type BoltPlace, type TorqueRounds } from '@hudrik/core/torque';
import { convertValue } from '@hudrik/core/units';

export const UNITS = ['lbf·ft', 'lbf·in', 'N·m'] as const;
export type TorqueUnit = (typeof UNITS)[number];
export const ROUND_WORD = ['a third', 'two thirds', 'full', 'once round'] as const;
export const MOST_BOLTS = 40;

const ring = (n: number): BoltPlace[] =>
  Array.from({ length: n }, (_, at) => ({
    x: Math.sin((2 * Math.PI * at) / n) * 50,
    y: -Math.cos((2 * Math.PI * at) / n) * 50,
  }));
const rows = (n: number): BoltPlace[] =>
  Array.from({ length: n }, (_, at) => ({ x: Math.floor(at / 2) * 30, y: (at % 2) * 45 }));

export const SHAPES = { rows: 'Two rows', ring: 'Ring', own: 'By hand' } as const;
type Shape = keyof typeof SHAPES | 'sheet';

export interface Pattern {
  readonly shape: Shape;
  readonly count: number;
  readonly own: readonly BoltPlace[];
}

export const placesOf = ({ shape, count, own }: Pattern, sheet: SheetTorque | undefined): readonly BoltPlace[] => {
  if (shape === 'own') return own;
  if (shape === 'ring') return ring(count);
  if (shape === 'rows' || sheet === undefined) return rows(count);
  return sheet.places.length > 0
    ? sheet.places.map(([x = 0, y = 0]) => ({ x, y }))
    : ring(Math.max(sheet.order.length, 1));
};

export const unitIn = (text: string | undefined): TorqueUnit | undefined => UNITS.find((unit) => unit === text);

export const startShape = (torque: SheetTorque | undefined): Shape =>
  torque !== undefined && (torque.places.length > 0 || torque.order.length > 0) ? 'sheet' : 'rows';

export type Texts = Readonly<Record<'wanted' | 'drag' | 'arm' | 'extension', string>>;

export const hasBoth = ({ drag, extension }: Texts): boolean =>
  (readPositive(drag) ?? 0) > 0 && (readPositive(extension) ?? 0) > 0;

/** The same torque in the other unit. */
export function turned(text: string, from: TorqueUnit, to: TorqueUnit): string {
  const value = readPositive(text);
  return value === null ? text : Number(convertValue(value, from, to).toPrecision(5)).toString();
}

const PROBLEM: Readonly<Record<Extract<TorqueRounds, { ok: false }>['code'], string>> = {
  'drag-too-high':
    'The drag is nearly as large as the wanted torque: the figure means nothing. Chase the thread, or replace the bolt.',
  'arm-wanted': 'An extension lowers what the wrench reads by its arm: enter the arm of the wrench too.',
};

/** What the wrench is set to, or why nobody can say. */
export function reckon(texts: Texts, dragWith: boolean | null): { rounds: readonly number[] | null; problem: string } {
  const [wanted, drag, arm, extension] = [
    texts.wanted,
    texts.drag || '0',
    texts.arm || '0',
    texts.extension || '0',
  ].map(readPositive);
  if (wanted == null || wanted === 0 || drag == null || arm == null || extension == null)
    return { rounds: null, problem: 'Enter the wanted torque.' };
  if (hasBoth(texts) && dragWith === null)
    return { rounds: null, problem: 'Was the drag read with the extension on, or without it? Say which below.' };
  const rounds = torqueRounds({ wanted, drag, arm, extension, dragWithExtension: dragWith === true });
  return rounds.ok ? { rounds: rounds.wrench, problem: '' } : { rounds: null, problem: PROBLEM[rounds.code] };
}

/** The order of the bolts, as places in the list: the sheet's own, else by where they stand. */
export const orderOf = (ofSheet: SheetTorque | undefined, places: readonly BoltPlace[]): readonly number[] =>
  ofSheet !== undefined && ofSheet.order.length > 0 ? ofSheet.order.map((bolt) => bolt - 1) : tighteningPattern(places);

/** What stands there at first. */
export const firstTexts = (chosen: SheetTorque | undefined, unit: TorqueUnit): Texts => ({
  wanted: chosen ? String(chosen.value) : unit === 'N·m' ? '25' : '18',
  drag: '0',
  arm: '',
  extension: '',
});

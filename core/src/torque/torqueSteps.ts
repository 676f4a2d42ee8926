import { JUDGEMENT, type Threshold } from '../catalogue/shapes';

/** Rounds of tightening: about a third, two thirds, full, and once round at full (common practice). */
const ROUNDS = [1 / 3, 2 / 3, 1, 1] as const;

export const DRAG_TOO_HIGH: Threshold = {
  name: 'Drag of this share of the wanted torque and more: the figure means nothing',
  value: 0.8,
  unit: 'of the wanted torque',
  source: JUDGEMENT,
};

export type TorqueRounds =
  | { readonly ok: true; readonly wrench: readonly number[] }
  | { readonly ok: false; readonly code: 'drag-too-high' | 'arm-wanted' };

export interface TorqueAsked {
  readonly wanted: number;
  readonly drag?: number;
  readonly arm?: number;
  readonly extension?: number;
  /** The drag was read with the extension on the wrench: it stands in what the wrench shows already. */
  readonly dragWithExtension?: boolean;
}

/**
 * What the wrench is set to, round by round.
 * In: wanted torque, drag measured just turning the bolt, both in one unit; arm of the wrench and in-line extension, both in one length (0:
 * none); whether the drag was read with the extension on. Out: settings in the torque's unit, not rounded; or that an extension is worth
 * nothing without the arm it lengthens; or that the drag comes near the wanted torque: clean or replace.
 * With an extension the wrench reads low: T_set = T · L / (L + E). Source: common practice. Example: 8 drag and 40 wanted end at 48.
 */
export function torqueRounds(asked: TorqueAsked): TorqueRounds {
  const { wanted, drag = 0, arm = 0, extension = 0, dragWithExtension = false } = asked;
  if (extension > 0 && !(arm > 0)) return { ok: false, code: 'arm-wanted' };
  const factor = extension > 0 ? arm / (arm + extension) : 1;
  const read = dragWithExtension ? drag : drag * factor;
  if (read / factor >= wanted * DRAG_TOO_HIGH.value) return { ok: false, code: 'drag-too-high' };
  return { ok: true, wrench: ROUNDS.map((share) => wanted * share * factor + read) };
}

/** Rounds of tightening: about a third, two thirds, full, and once round at full (common practice). */
const ROUNDS = [1 / 3, 2 / 3, 1, 1] as const;

/** Drag of this share of the wanted torque and more: the figure means nothing (common practice). */
const DRAG_TOO_HIGH = 0.8;

export type TorqueRounds =
  { readonly ok: true; readonly wrench: readonly number[] } | { readonly ok: false; readonly code: 'drag-too-high' };

/**
 * What the wrench is set to, round by round.
 * In: wanted torque, drag measured just turning the bolt, both in one unit; arm of the wrench and in-line extension, both in one length (0:
 * none). Out: settings in the torque's unit, not rounded; or that the drag comes near the wanted torque: clean or replace.
 * With an extension the wrench reads low: T_set = T · L / (L + E). Source: common practice. Example: 8 drag and 40 wanted end at 48.
 */
export function torqueRounds({
  wanted,
  drag = 0,
  arm = 0,
  extension = 0,
}: {
  readonly wanted: number;
  readonly drag?: number;
  readonly arm?: number;
  readonly extension?: number;
}): TorqueRounds {
  if (drag >= wanted * DRAG_TOO_HIGH) return { ok: false, code: 'drag-too-high' };
  const factor = arm > 0 ? arm / (arm + extension) : 1;
  return { ok: true, wrench: ROUNDS.map((share) => (wanted * share + drag) * factor) };
}

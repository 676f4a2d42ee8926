import type { InferType } from 'yup';
import { array, boolean, instant, number, object, string, type Frozen } from '../fields';

/** What a unit's machine tells of itself from afar. */
export const fromAfar = object({
  /** What it told last, whether or not that counts. */
  told: number().required(),
  toldAt: instant.required(),
  /** Why what it told last does not count: the code of a reading's finding. */
  problem: string().nullable().defined(),
  /** The last of its hours that count. */
  reading: number().nullable().defined(),
  readAt: instant.nullable().defined(),
  latitude: number().nullable().defined(),
  longitude: number().nullable().defined(),
  isSilent: boolean().required(),
});
export type FromAfar = Frozen<InferType<typeof fromAfar>>;

/** How it stands with the machines that tell their hours. */
export const equipment = object({
  answeredAt: instant.nullable().defined(),
  /** Since then: what was wrong with its answer; what was told last stands. */
  problem: string().nullable().defined(),
  machines: number().required(),
  /** Of its list: what was not taken, on which line (null: not kept), and why. */
  notTaken: array(
    object({ line: number().nullable().defined(), name: string().required(), problem: string().required() }).required(),
  ).required(),
  /** All that was not taken; of these the first are named above. */
  refused: number().required(),
  silent: array(object({ tag: string().required(), toldAt: instant.required() }).required()).required(),
  /** Told something that cannot be. */
  odd: array(
    object({ tag: string().required(), problem: string().required(), told: number().required() }).required(),
  ).required(),
});
export type EquipmentReply = Frozen<InferType<typeof equipment>>;

import type { UseRate } from './useRate';
import type { Source } from './source';
import type { Station } from './check';

/** Something that goes out with a unit and has to come back. */
export interface Accessory {
  readonly id: string;
  readonly name: string;
  readonly count: number;
  /** Charged for each one that does not come back, cents. */
  readonly priceCents: number;
  /** Of an older edition, where several such were one line: the id of that line. */
  readonly formerly?: string;
}

export interface MachineClass {
  readonly id: string;
  readonly name: string;
  readonly plural: string;
  /** The letters on the tag. */
  readonly letters: string;
  readonly fuelTap: boolean;
  readonly kit: readonly Accessory[];
  /** Where the prices of its kit come from. */
  readonly kitSource: Source;
  readonly stations: readonly [Station, ...Station[]];
  /** Ids of the complaints that are offered for this class. */
  readonly complaints: readonly string[];
  /** How hard this class is worked on hire, before the unit's own history is known. */
  readonly use: UseRate & { readonly source: Source };
}

import type { LayUpMethodId, Past } from '@hudrik/core/catalogue';
import { ethanolIn, litresOf } from '@hudrik/core/fuel';
import type { Trx } from '../database/tables';
import { readFuel } from './unitFuel';

const DAY_MS = 86_400_000;
/** How it stood tells of trouble for so long after it was woken (judgement). */
const TELLS_DAYS = 60;
/** What keeps so long is alkylate. */
const ALKYLATE_KEEPS = 700;

const STORED: Readonly<Record<LayUpMethodId, NonNullable<Past['stored']>>> = {
  'as-it-is': 'fuel-left',
  'run-dry': 'run-dry-drained',
  'bowl-off': 'bowl-cleaned',
  'full-stabilised': 'stabilised-full',
  alkylate: 'alkylate-wet',
  exercised: 'exercised',
};

/** What a unit's fuel and its last lay-up tell whoever finds its fault: which blend, and how it was stored. */
export async function pastOfFuel(trx: Trx, unitId: number, at: Date): Promise<Pick<Past, 'fuelBlend' | 'stored'>> {
  const [fuel] = await readFuel(trx, unitId);
  const blend = fuel?.passport.blend ?? [];
  const litres = litresOf(blend);
  const lay = await trx
    .selectFrom('lay_up')
    .select('method')
    .where('unit_id', '=', unitId)
    .where((eb) =>
      eb.or([eb('woken_at', 'is', null), eb('woken_at', '>', new Date(at.getTime() - TELLS_DAYS * DAY_MS))]),
    )
    .orderBy('laid_up_at', 'desc')
    .limit(1)
    .executeTakeFirst();
  return {
    ...(litres > 0 ? { fuelBlend: blendNamed(ethanolIn(blend) / litres, blend.every(isAlkylate)) } : {}),
    ...(lay ? { stored: STORED[lay.method] } : {}),
  };
}

const isAlkylate = ({ keepsDays }: { readonly keepsDays: number }): boolean => keepsDays >= ALKYLATE_KEEPS;

function blendNamed(ethanol: number, isAllAlkylate: boolean): NonNullable<Past['fuelBlend']> {
  if (isAllAlkylate) return 'alkylate';
  return ethanol < 0.02 ? 'E0' : ethanol < 0.125 ? 'E10' : 'E15';
}

import type { ModelPlan } from '@hudrik/core/contracts';
import type { OwnItem, OwnPlan } from '@hudrik/core/service';
import { keysOf } from '@hudrik/core/typed';

export const FIELDS = {
  hours: 'Every hours',
  months: 'Every months',
  firstHours: 'New: first at hours',
  minutes: 'Minutes',
} as const;
export type FieldKey = keyof typeof FIELDS;

/** An item as it is typed: empty is as its class has it, "-" is none. */
export type TypedItem = Readonly<Record<FieldKey, string>> & { readonly kit: string; readonly isOff: boolean };

const NONE = '-';
const textOf = (value: number | null | undefined): string =>
  value === undefined ? '' : value === null ? NONE : String(value);

/** What a plan's own item says, to be typed over. */
export function typedOf({ items }: OwnPlan, id: string): TypedItem {
  const own = items.find((item) => item.id === id);
  return {
    hours: textOf(own?.hours),
    months: textOf(own?.months),
    firstHours: textOf(own?.firstHours),
    minutes: textOf(own?.minutes),
    kit: own?.kit ?? '',
    isOff: own?.isOff ?? false,
  };
}

/** A figure as typed; undefined: nothing is said; null: none; NaN: it cannot be read. */
function figureOf(text: string): number | null | undefined {
  const typed = text.trim().replace(',', '.');
  if (typed === '') return undefined;
  if (typed === NONE) return null;
  const value = Number(typed);
  return value > 0 ? value : Number.NaN;
}

/** Which field of an item cannot be read. */
export const wrongField = (typed: TypedItem): FieldKey | null =>
  keysOf(FIELDS).find((key) => Number.isNaN(figureOf(typed[key]))) ?? null;

/** What an item says of its own; nothing where it is all as its class has it. */
function ownOf(id: string, typed: TypedItem, was: OwnPlan): OwnItem | null {
  const figures = Object.fromEntries(
    keysOf(FIELDS).flatMap((key) => {
      const value = figureOf(typed[key]);
      return value === undefined ? [] : [[key, value]];
    }),
  );
  const before = was.items.find((item) => item.id === id);
  const kit = typed.kit.trim();
  const own = {
    ...figures,
    ...(before?.includes == null ? {} : { includes: before.includes }),
    ...(kit === '' ? {} : { kit }),
    ...(typed.isOff ? { isOff: true } : {}),
  };
  return Object.keys(own).length === 0 ? null : { id, ...own };
}

/** Everything that is typed, as a plan of its own. */
export const planOfTyped = (
  reply: Pick<ModelPlan, 'own'>,
  typed: Readonly<Record<string, TypedItem>>,
  severity: number,
  anchorMonth: number | null,
): OwnPlan => ({
  severity,
  anchorMonth,
  items: Object.entries(typed).flatMap(([id, item]) => ownOf(id, item, reply.own) ?? []),
});

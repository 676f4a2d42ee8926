import { LAY_UP_METHOD_IDS, type LayUpMethodId } from '@hudrik/core/catalogue';
import { Pressable, View } from 'react-native';
import { Words } from '@/design';
import { chosenOf, sayCost, type LayUpUnit } from './sayLayUp';

const SHORT: Readonly<Record<LayUpMethodId, string>> = {
  'as-it-is': 'As it is',
  'run-dry': 'Run dry',
  'bowl-off': 'Bowl off',
  'full-stabilised': 'Full, treated',
  alkylate: 'Alkylate',
  exercised: 'Kept ready',
};

interface Props {
  readonly units: readonly LayUpUnit[];
  readonly chosen: string | null;
  readonly onChoose: (tag: string) => void;
}

/** Units down, ways across: what each is expected to cost, the one that is done marked. */
export function FleetTable({ units, chosen, onChoose }: Props) {
  return (
    <View className="border-2 border-ink bg-paper" role="table" aria-label="Ways of lay-up and their costs">
      <View className="flex-row border-b border-ink px-2 py-1" role="row">
        <Cell head wide words="Unit" />
        <Cell head words="Days" />
        {LAY_UP_METHOD_IDS.map((id) => (
          <Cell key={id} head words={SHORT[id]} />
        ))}
      </View>
      {units.map((unit) => (
        <Pressable
          key={unit.tag}
          role="row"
          aria-label={`${unit.tag}: show it`}
          aria-selected={unit.tag === chosen}
          onPress={() => onChoose(unit.tag)}
          className={`min-h-[48px] flex-row items-center border-b border-line px-2 ${unit.tag === chosen ? 'bg-card' : ''}`}
        >
          <View className="w-[72px]">
            <Words face="stencil" size={17}>
              {unit.tag}
            </Words>
          </View>
          <Cell words={String(Math.round(unit.forecast?.expected ?? 0))} />
          {LAY_UP_METHOD_IDS.map((id) => (
            <Cell key={id} words={costWords(unit, id)} isDone={chosenOf(unit)?.method === id} />
          ))}
        </Pressable>
      ))}
    </View>
  );
}

function costWords({ costs }: LayUpUnit, method: LayUpMethodId): string {
  const cost = costs.find((one) => one.method === method);
  return cost === undefined ? '–' : sayCost(cost.cents);
}

interface CellProps {
  readonly words: string;
  readonly head?: boolean;
  readonly wide?: boolean;
  readonly isDone?: boolean;
}

/** The one that is done stands in a box, and is said. */
const Cell = ({ words, head = false, wide = false, isDone = false }: CellProps) => (
  <View
    className={`${wide ? 'w-[72px]' : 'flex-1'} ${isDone ? 'border-2 border-ink' : ''} px-[3px]`}
    role={head ? 'columnheader' : 'cell'}
  >
    <Words
      size={head ? 13 : 15}
      face={isDone || head ? 'strong' : 'text'}
      className="text-right"
      aria-label={isDone ? `${words}, done so` : undefined}
    >
      {words}
    </Words>
  </View>
);

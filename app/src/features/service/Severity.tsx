import { View } from 'react-native';
import { Choice } from '@/design';

const SEVERITY = [
  [1, 'As usual'],
  [0.7, 'Hard'],
  [0.5, 'Dust and heat'],
] as const;

interface Props {
  readonly value: number;
  readonly onChange: (severity: number) => void;
}

/** How hard a model, or one unit, works. */
export function Severity({ value, onChange }: Props) {
  return (
    <View className="flex-row flex-wrap gap-2" role="group" aria-label="How hard it works">
      {SEVERITY.map(([severity, label]) => (
        <Choice
          key={severity}
          className="grow"
          label={label}
          on={value === severity}
          onPress={() => onChange(severity)}
        />
      ))}
    </View>
  );
}

import { View } from 'react-native';
import type { DateTimeProps } from './DateTimeField';
import { Words } from './Words';

/** A day and a time, picked with what the device has for that. */
export function DateTimeField({ label, value, onChange, wrong }: DateTimeProps) {
  return (
    <View className="gap-1">
      <Words size={15} face="strong">
        {label}
      </Words>
      <input
        type="datetime-local"
        aria-label={label}
        aria-invalid={wrong !== undefined}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        className={`min-h-[52px] rounded-[4px] border-2 bg-paper px-3 py-2 font-text text-17 text-ink ${wrong ? 'border-held' : 'border-line'}`}
      />
      {wrong ? (
        <Words size={15} tone="held" role="alert">
          {wrong}
        </Words>
      ) : null}
    </View>
  );
}

import { TextInput, View, type TextInputProps } from 'react-native';
import { Words } from './Words';
import { useWritten } from './written';

interface Props extends TextInputProps {
  readonly label: string;
  readonly wrong?: string | undefined;
  /** What is written here looks for something, and is not to be kept. */
  readonly isSearch?: boolean;
}

/** A line to write on, its label above it, what is wrong with it below. */
export function Field({ label, wrong, className = '', multiline, isSearch = false, ...rest }: Props) {
  useWritten(isSearch ? '' : (rest.value ?? ''));
  return (
    <View className={`gap-1 ${className}`}>
      <Words size={15} face="strong">
        {label}
      </Words>
      <TextInput
        aria-label={label}
        aria-invalid={wrong !== undefined}
        multiline={multiline}
        className={`${multiline ? 'min-h-[88px]' : 'min-h-[52px]'} rounded-[4px] border-2 bg-paper px-3 py-2 font-text text-17 text-ink placeholder:text-ink-soft/80 ${wrong ? 'border-held' : 'border-line'}`}
        {...rest}
      />
      {wrong ? (
        <Words size={15} tone="held" role="alert">
          {wrong}
        </Words>
      ) : null}
    </View>
  );
}

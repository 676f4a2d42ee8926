import { Controller, type Control, type FieldError, type FieldPath, type FieldValues } from 'react-hook-form';
import { View, type TextInputProps } from 'react-native';
import { Choice, DateTimeField, Field, Words } from '@/design';

interface Props<Typed extends FieldValues> extends Omit<TextInputProps, 'value' | 'onChangeText' | 'onBlur'> {
  readonly control: Control<Typed, unknown, any>;
  readonly name: FieldPath<Typed>;
  readonly label: string;
  readonly className?: string;
}

/** A line of a form. */
export function FormField<Typed extends FieldValues>({ control, name, ...rest }: Props<Typed>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <Field
          {...rest}
          value={String(field.value ?? '')}
          onChangeText={field.onChange}
          onBlur={field.onBlur}
          wrong={fieldState.error && sayWrong(fieldState.error)}
        />
      )}
    />
  );
}

/** A day and a time of a form. */
export function FormDateTime<Typed extends FieldValues>({
  control,
  name,
  label,
}: Pick<Props<Typed>, 'control' | 'name' | 'label'>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <DateTimeField
          label={label}
          value={String(field.value ?? '')}
          onChange={field.onChange}
          wrong={fieldState.error && sayWrong(fieldState.error)}
        />
      )}
    />
  );
}

interface ChoicesProps<Typed extends FieldValues, V extends string | number> {
  readonly control: Control<Typed, unknown, any>;
  readonly name: FieldPath<Typed>;
  /** Read out for the group; shown above it when it is to be seen. */
  readonly label: string;
  readonly isLabelShown?: boolean;
  readonly options: readonly (readonly [value: V, words: string])[];
}

/** One of several. */
export function FormChoices<Typed extends FieldValues, V extends string | number>({
  control,
  name,
  label,
  isLabelShown = false,
  options,
}: ChoicesProps<Typed, V>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <View className="gap-1">
          {isLabelShown ? (
            <Words size={15} face="strong">
              {label}
            </Words>
          ) : null}
          <View className="flex-row flex-wrap gap-2" role="group" aria-label={label}>
            {options.map(([value, words]) => (
              <Choice
                key={value}
                className="grow"
                label={words}
                on={field.value === value}
                onPress={() => field.onChange(value)}
              />
            ))}
          </View>
          {fieldState.error ? (
            <Words size={15} tone="held" role="alert">
              {sayWrong(fieldState.error)}
            </Words>
          ) : null}
        </View>
      )}
    />
  );
}

/** By the kind of rule, where the schema has no sentence of its own: its usual ones name the field as the program does. */
const USUAL: Readonly<Record<string, string>> = {
  required: 'Fill this in.',
  optionality: 'Fill this in.',
  nullable: 'Fill this in.',
  typeError: 'This cannot be read.',
  integer: 'Enter a whole number.',
  min: 'That is too short or too small.',
  max: 'That is too long or too large.',
  oneOf: 'Choose one.',
};

const sayWrong = ({ type, message }: FieldError): string =>
  message !== undefined && /^[A-Z]/.test(message) ? message : (USUAL[type] ?? 'This is not right.');

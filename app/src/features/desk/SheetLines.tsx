import { useState } from 'react';
import { View } from 'react-native';
import { ValidationError, type AnyObjectSchema } from 'yup';
import { readFigure } from '@hudrik/core/figures';
import { Button, Choice, Field, Section, Sheet, Words } from '@/design';

/** A field of a line: words, a figure, one of some, or several of some. */
export interface LineField {
  readonly key: string;
  readonly label: string;
  readonly kind: 'words' | 'figure' | 'one' | 'several';
  readonly options?: readonly (readonly [value: string, words: string])[];
  /** How the field's text is read where it is none of those: "1-3-2-4" as a list. */
  readonly read?: (text: string) => unknown;
  readonly write?: (value: unknown) => string;
}

type Line = Readonly<Record<string, unknown>>;

interface Props {
  readonly title: string;
  /** What one of them is called: "torque". */
  readonly one: string;
  readonly lines: readonly Line[];
  readonly schema: AnyObjectSchema;
  readonly fields: readonly LineField[];
  readonly say: (line: Line) => string;
  readonly onChange: (lines: readonly Line[]) => void;
}

/** Lines of a data sheet of one kind: each as a sentence, changed and added in a sheet that says what is wrong. */
export function SheetLines({ title, one, lines, schema, fields, say, onChange }: Props) {
  const [open, setOpen] = useState<number | 'new' | null>(null);
  const put = (line: Line) => {
    onChange(open === 'new' ? [...lines, line] : lines.map((other, at) => (at === open ? line : other)));
    setOpen(null);
  };
  return (
    <Section title={title} count={lines.length}>
      {lines.map((line, at) => (
        <View key={`${at} ${say(line)}`} className="flex-row items-center gap-2 border-b border-line">
          <Words className="min-w-0 flex-1">{say(line)}</Words>
          <Button kind="quiet" label="Change" aria-label={`Change ${say(line)}`} onPress={() => setOpen(at)} />
          <Button
            kind="quiet"
            label="Remove"
            aria-label={`Remove ${say(line)}`}
            onPress={() => onChange(lines.filter((_, other) => other !== at))}
          />
        </View>
      ))}
      <Button className="self-start" label={`Add a ${one}`} onPress={() => setOpen('new')} />
      {open === null ? null : (
        <LineSheet
          title={open === 'new' ? `Add a ${one}` : `Change the ${one}`}
          line={open === 'new' ? {} : (lines[open] ?? {})}
          schema={schema}
          fields={fields}
          onKeep={put}
          onClose={() => setOpen(null)}
        />
      )}
    </Section>
  );
}

interface LineSheetProps extends Pick<Props, 'schema' | 'fields'> {
  readonly title: string;
  readonly line: Line;
  readonly onKeep: (line: Line) => void;
  readonly onClose: () => void;
}

const textOf = ({ key, kind, write }: LineField, line: Line): string | readonly string[] => {
  const value = line[key];
  if (kind === 'several') return Array.isArray(value) ? value.map(String) : [];
  return write ? write(value) : String(value ?? '');
};

const readIn = ({ kind, read }: LineField, text: string | readonly string[]): unknown => {
  if (typeof text !== 'string') return text;
  if (read) return read(text);
  if (kind !== 'figure') return text;
  return text.trim() === '' ? undefined : (readFigure(text) ?? Number.NaN);
};

function LineSheet({ title, line, schema, fields, onKeep, onClose }: LineSheetProps) {
  const [texts, setTexts] = useState(() => Object.fromEntries(fields.map((field) => [field.key, textOf(field, line)])));
  const [wrong, setWrong] = useState<Readonly<Record<string, string>>>({});
  const set = (key: string, text: string | readonly string[]) => setTexts((before) => ({ ...before, [key]: text }));
  const keep = () => {
    const read = Object.fromEntries(fields.map((field) => [field.key, readIn(field, texts[field.key] ?? '')]));
    try {
      onKeep(schema.validateSync({ ...line, ...read }, { abortEarly: false }) as Line);
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error;
      setWrong(Object.fromEntries(error.inner.map(({ path, message }) => [topOf(path), sayWrong(message)])));
    }
  };
  return (
    <Sheet title={title} open onClose={onClose}>
      {fields.map((field) => (
        <OneField
          key={field.key}
          field={field}
          text={texts[field.key] ?? ''}
          wrong={wrong[field.key]}
          onChange={(text) => set(field.key, text)}
        />
      ))}
      {wrong[''] === undefined ? null : (
        <Words tone="held" role="alert">
          {wrong['']}
        </Words>
      )}
      <Button kind="main" tall label="Keep it" onPress={keep} />
    </Sheet>
  );
}

const topOf = (path: string | undefined): string => /^[a-zA-Z]*/.exec(path ?? '')?.[0] ?? '';
/** Sentences of the schema's own are said; its usual ones name the field as the program does. */
const sayWrong = (message: string): string => (/^[A-Z]/.test(message) ? message : 'Fill this in, as it is asked for.');

interface OneFieldProps {
  readonly field: LineField;
  readonly text: string | readonly string[];
  readonly wrong: string | undefined;
  readonly onChange: (text: string | readonly string[]) => void;
}

function OneField({ field, text, wrong, onChange }: OneFieldProps) {
  if (field.kind !== 'one' && field.kind !== 'several')
    return (
      <Field
        label={field.label}
        value={typeof text === 'string' ? text : ''}
        onChangeText={onChange}
        wrong={wrong}
        inputMode={field.kind === 'figure' ? 'decimal' : 'text'}
      />
    );
  const isOn = (value: string): boolean => (typeof text === 'string' ? text === value : text.includes(value));
  const tap = (value: string) => {
    if (typeof text === 'string') return onChange(value);
    return onChange(text.includes(value) ? text.filter((other) => other !== value) : [...text, value]);
  };
  return (
    <View className="gap-1" role="group" aria-label={field.label}>
      <Words size={15} face="strong">
        {field.label}
      </Words>
      <View className="flex-row flex-wrap gap-2">
        {(field.options ?? []).map(([value, words]) => (
          <Choice key={value} className="grow" label={words} on={isOn(value)} onPress={() => tap(value)} />
        ))}
      </View>
      {wrong === undefined ? null : (
        <Words size={15} tone="held" role="alert">
          {wrong}
        </Words>
      )}
    </View>
  );
}

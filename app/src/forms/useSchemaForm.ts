import { yupResolver } from '@hookform/resolvers/yup';
import { useForm, type DefaultValues, type FieldValues, type Resolver, type UseFormReturn } from 'react-hook-form';
import type { AnyObjectSchema, InferType } from 'yup';

/** A form as its fields hold it (what is typed), and as its schema reads it. */
export type SchemaForm<Typed extends FieldValues, S extends AnyObjectSchema> = UseFormReturn<
  Typed,
  unknown,
  InferType<S>
>;

/** A form checked by a Yup schema: a field says what is wrong once it was left, and all of them when it is sent. */
export const useSchemaForm = <Typed extends FieldValues, S extends AnyObjectSchema>(
  schema: S,
  defaultValues: DefaultValues<Typed>,
): SchemaForm<Typed, S> =>
  useForm<Typed, unknown, InferType<S>>({
    // What the schema takes in is whatever its fields hold: it is there to say so.
    resolver: yupResolver(schema) as unknown as Resolver<Typed, unknown, InferType<S>>,
    defaultValues,
    mode: 'onTouched',
  });

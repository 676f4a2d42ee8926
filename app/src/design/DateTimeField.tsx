import { Field } from './Field';

export interface DateTimeProps {
  readonly label: string;
  /** As "2030-05-01T09:00", by the yard's clock. */
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly wrong?: string | undefined;
}

/** A day and a time. Where there is no picker it is typed. */
export const DateTimeField = ({ label, value, onChange, wrong }: DateTimeProps) => (
  <Field label={label} value={value} onChangeText={onChange} placeholder="2030-05-01 09:00" wrong={wrong} />
);

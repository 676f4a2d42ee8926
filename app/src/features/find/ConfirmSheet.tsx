import { useState } from 'react';
import { sentenceOf } from '@/api';
import { Button, Choice, Failure, Field, Sheet, Words } from '@/design';
import { sayFault } from './say';
import { explainsOf, Ties, type Tied } from './Ties';
import { useTold } from './useTold';
import type { FindingHandle } from './useFinding';

interface ConfirmProps {
  readonly first: string;
  /** What was seen to be so: confirmed too, unless it is taken out. */
  readonly given: readonly string[];
  readonly suspects: readonly { readonly id: string; readonly probability: number }[];
  /** The unit whose job it goes to; none: an engine by itself. */
  readonly tag: string | null;
  readonly onConfirm: FindingHandle['confirm'];
  readonly onClose: () => void;
}

/** What was wrong, one or several: closes the finding onto its job. */
export function ConfirmSheet({ first, given, suspects, tag, onConfirm, onClose }: ConfirmProps) {
  const told = useTold(tag);
  const [tied, setTied] = useState<Tied>({});
  const [causes, setCauses] = useState<readonly string[]>([...new Set([first, ...given])]);
  const [note, setNote] = useState('');
  const [failed, setFailed] = useState<unknown>(null);
  const [busy, setBusy] = useState(false);
  const known = [...new Set([first, ...given])];
  const offered = [
    ...known,
    ...suspects
      .map((entry) => entry.id)
      .filter((id) => !known.includes(id) && id !== 'user-error')
      .slice(0, 7),
  ];
  const toggle = (id: string) => setCauses(causes.includes(id) ? causes.filter((one) => one !== id) : [...causes, id]);
  const send = () => {
    setBusy(true);
    onConfirm(causes, note, explainsOf(told, causes, tied)).then(onClose, (error: unknown) => {
      setFailed(error);
      setBusy(false);
    });
  };
  return (
    <Sheet title="What was wrong" open onClose={onClose}>
      {failed ? <Failure sentence={sentenceOf(failed)} kept="What was seen is kept." /> : null}
      <Words size={15}>
        {tag !== null
          ? 'Its job then says what is to be done. The yard learns from it when that job is proven, not before.'
          : 'One or several.'}
      </Words>
      {offered.map((id) => (
        <Choice key={id} label={sayFault(id)} on={causes.includes(id)} onPress={() => toggle(id)} />
      ))}
      <Ties told={told} causes={causes} tied={tied} onChange={setTied} />
      <Field label="Note" value={note} onChangeText={setNote} multiline />
      <Button
        kind="main"
        tall
        label={causes.length > 1 ? `Confirm ${causes.length} causes` : 'Confirm the cause'}
        disabled={busy}
        offBecause={causes.length === 0 ? 'Tick what was found.' : null}
        onPress={send}
      />
    </Sheet>
  );
}

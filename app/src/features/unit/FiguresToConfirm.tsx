import { RATINGS } from '@hudrik/core/catalogue';
import { LEAD_ONLY, type UnitPage } from '@hudrik/core/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, usePerson } from '@/api';
import { Button, Card, Choice, Failure, Section, Sheet, Words } from '@/design';
import { photosOf, secondIn, SecondPerson, type Second } from '@/features/second';
import { useEntry } from '@/outbox';
import { PhotoRow } from '@/photos/PhotoRow';
import { sayTime, sayValue } from '@/writing';

type Figure = UnitPage['toConfirm'][number];

const sayFigureOf = ({ rating, value }: Figure): string => {
  const { name, unit } = RATINGS[rating];
  return value === null ? `${name}: taken away` : `${name}: ${sayValue(value)} ${unit}`;
};

/** Rated figures that were changed while something was open that is held against them: until a lead has read one from the plate, it ends nothing. */
export function FiguresToConfirm({ page }: { readonly page: UnitPage }) {
  const { role } = usePerson();
  const [open, setOpen] = useState<Figure | null>(null);
  if (page.toConfirm.length === 0) return null;
  return (
    <Section title="Figures to be confirmed" count={page.toConfirm.length}>
      {page.toConfirm.map((figure) => (
        <Card key={`${figure.defectId} ${figure.rating} ${figure.of}`} className="gap-2">
          <Words face="strong">{sayFigureOf(figure)}</Words>
          <Words size={15}>
            {`Changed ${sayTime(figure.at)}${figure.by === null ? '' : ` by ${figure.by}`}, while something is open that is held against it. It closes nothing before a lead has read it from the plate.`}
          </Words>
          {role === 'lead' && figure.value !== null ? (
            <Button className="self-start" label="Confirm it" onPress={() => setOpen(figure)} />
          ) : null}
        </Card>
      ))}
      {open ? <ConfirmSheet figure={open} tag={page.unit.tag} onClose={() => setOpen(null)} /> : null}
    </Section>
  );
}

const FROM = [
  ['plate', 'Read from the plate'],
  ['makers-sheet', 'The plate cannot be read: by the maker’s sheet'],
] as const;

function ConfirmSheet({
  figure,
  tag,
  onClose,
}: {
  readonly figure: Figure;
  readonly tag: string;
  readonly onClose: () => void;
}) {
  const me = usePerson();
  const send = useEntry('figure-confirmed');
  const [from, setFrom] = useState<(typeof FROM)[number][0]>('plate');
  const [photos, setPhotos] = useState<readonly string[]>([]);
  const [second, setSecond] = useState<Second | null>(null);
  const isOwn = figure.by === me.name;
  const keep = async () => {
    const { rating, of, value } = figure;
    const [photoId] = photos;
    if (value === null || photoId === undefined) return;
    const facts = { rating, of, value, from, photoId, ...(isOwn ? secondIn(second) : {}) };
    await send.mutateAsync({ facts, on: { tag }, photos: [photoId, ...photosOf(second)] });
    onClose();
  };
  return (
    <Sheet title="Confirm the figure" open onClose={onClose}>
      {send.error ? <Failure sentence={sentenceOf(send.error)} kept="What you entered is still here." /> : null}
      <Words face="strong">{sayFigureOf(figure)}</Words>
      <Words>
        {figure.of === 'model'
          ? 'It is of the model: every unit of it is judged by it anew, fit ones too.'
          : 'It is of this unit’s own plate.'}
      </Words>
      <View className="gap-2" role="group" aria-label="Where it is read">
        {FROM.map(([id, label]) => (
          <Choice key={id} label={label} on={from === id} onPress={() => setFrom(id)} />
        ))}
      </View>
      <PhotoRow wanted photos={photos} onChange={setPhotos} />
      {isOwn ? (
        <SecondPerson
          sentence="You changed it yourself: another lead has read it too."
          who={LEAD_ONLY}
          wantsPhoto={false}
          second={second}
          onSecond={setSecond}
        />
      ) : null}
      <Button
        kind="main"
        tall
        label="It stands so"
        disabled={send.isPending}
        offBecause={
          photos.length === 0
            ? 'A photo of it, taken now.'
            : isOwn && second === null
              ? 'Another lead says so too, or you say why there is none.'
              : null
        }
        onPress={() => void keep().catch(() => undefined)}
      />
    </Sheet>
  );
}

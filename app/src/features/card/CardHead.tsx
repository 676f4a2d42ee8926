import { cautionText, faultOf, saySource } from '@hudrik/core/catalogue';
import { COMEBACK_DAYS, COMEBACK_HOURS } from '@hudrik/core/proof';
import type { CardReply } from '@hudrik/core/contracts';
import { Link } from 'expo-router';
import { View } from 'react-native';
import { Caution, Whence, Words } from '@/design';
import { sayReadiness } from '@/features/fleet';
import { StandingNotes } from '@/features/sheet';
import { sayHours, sayTime } from '@/writing';
import { NotTaken } from './NotTaken';
import { VISIT_WORD } from './say';
import type { CardHandle } from './useCard';

/** The unit and its sentence, who has the card, what to mind, and what came back. */
export function CardHead({ reply, handle }: { readonly reply: CardReply; readonly handle: CardHandle }) {
  const { jobs, unit, comeback, causes } = reply;
  const open = jobs.filter((job) => job.closedAt === null);
  const cautions = [
    ...new Set([...open.map((job) => job.caution), ...causes.map((id) => faultOf(id)?.caution)]),
  ].filter((id): id is string => id != null);
  return (
    <View className="gap-3">
      <View className="gap-1">
        <View className="flex-row items-baseline gap-3">
          <Link href={`/u/${unit.tag}`} className="font-stencil text-32 text-ink underline">
            {unit.tag}
          </Link>
          <Words face="strong" size={15} className="ml-auto" role="status">
            {VISIT_WORD[handle.state]}
          </Words>
        </View>
        <Words role="heading" aria-level={1} size={22} face="strong">
          {jobs.map((job) => job.title).join(' · ')}
        </Words>
        <Words>{sayReadiness(reply.verdict)}</Words>
        <Words size={13} tone="ink-soft">{`${unit.model} · ${sayHours(unit.trueHours)}`}</Words>
      </View>
      <StandingNotes tag={unit.tag} place="card" />
      <WhoHasIt reply={reply} handle={handle} />
      {comeback ? <Comeback comeback={comeback} /> : null}
      {(reply.behind ?? []).map(({ cause, parent }) => (
        <Words key={`${cause} ${parent}`} size={15} face="strong">
          {`${nameOf(cause)}: look for ${nameOf(parent).toLowerCase()} too, or it comes back.`}
        </Words>
      ))}
      {cautions.map((id) => (
        <Caution key={id} text={cautionText(id)} />
      ))}
      <NotTaken handle={handle} />
    </View>
  );
}

const nameOf = (fault: string): string => faultOf(fault)?.name ?? fault;

/** To whom the card was given last and what was said with it, and who waits for a signature. */
function WhoHasIt({ reply, handle }: { readonly reply: CardReply; readonly handle: CardHandle }) {
  const handedOn = handle.card?.handedOn ?? null;
  const asked = handle.card?.signatureAsked ?? null;
  const name =
    handedOn?.name ?? (handedOn && reply.visit.givenTo?.id === handedOn.to ? reply.visit.givenTo.name : null);
  return (
    <>
      {handedOn ? (
        <View className="border-l-[6px] border-mark bg-paper p-3">
          <Words size={15} face="strong">
            {`${name ? `With ${name}` : 'Handed on'}${handedOn.by ? `, from ${handedOn.by}` : ''}, ${sayTime(handedOn.at)}.`}
          </Words>
          {handedOn.note ? <Words size={15}>{handedOn.note}</Words> : null}
        </View>
      ) : null}
      {asked && handle.state !== 'ended' ? (
        <View className="border-l-[6px] border-prep bg-paper p-3" role="status">
          <Words size={15} face="strong">{`${asked.by ?? 'Somebody'} asks for a signature.`}</Words>
          {asked.note ? <Words size={15}>{asked.note}</Words> : null}
        </View>
      ) : null}
    </>
  );
}

function Comeback({ comeback }: { readonly comeback: NonNullable<CardReply['comeback']> }) {
  return (
    <View className="gap-1 border-l-[6px] border-held bg-paper p-3" role="alert">
      <Words face="strong">{`A comeback: ${comeback.days} days${comeback.hours === null ? '' : ` and ${comeback.hours} h`} after the last proof.`}</Words>
      <Words
        size={15}
      >{`Then: ${[comeback.title, ...comeback.causes, comeback.did].filter(Boolean).join('. ')}.`}</Words>
      <Link href={`/j/${comeback.jobId}`} className="font-text text-15 text-ink underline">
        See that card
      </Link>
      <Whence
        short="What counts as a comeback"
        words={`The same trouble within ${COMEBACK_DAYS.value} days or ${COMEBACK_HOURS.value} engine hours of its proof. ${saySource(COMEBACK_DAYS.source)}.`}
      />
    </View>
  );
}

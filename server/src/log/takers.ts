import { entryOf } from '@hudrik/core/catalogue';
import type { KindsOn, SentKind } from '@hudrik/core/log';
import { placeVisit } from '../bench/placeVisit';
import { takeCardEntry } from '../cards/takeCardEntry';
import { takeCheckIn } from '../checkins/takeCheckIn';
import { takeCheckOut } from '../checkouts/takeCheckOut';
import { takeLeftAnyway } from '../checkouts/takeLeftAnyway';
import { liveWith, takeClosing, takeDefect, takeFittedAfterAll, takeNotFitted } from '../defects/takeDefect';
import { takeFigureConfirmed } from '../figures/confirmFigure';
import { confirmCauses } from '../findings/confirmCauses';
import { describeMachine, openFinding, takeLook, takeObservation } from '../findings/takeFinding';
import { takeFuelled, takeFuelOut, takeFuelSeen } from '../fuel/takeFuel';
import { correctReading } from '../fleet/correctReading';
import { takeBack } from '../hires/hires';
import { moveTold } from '../hires/moveTold';
import { takeTrouble } from '../hires/trouble';
import { dropJob, finishJob, putJobOff, raiseJob, startJob } from '../jobs/takeJob';
import { takeLaidUp, takeWoken } from '../layUp/takeLayUp';
import { askPart, changePartLine, keepPart } from '../parts/takePart';
import { takeCountersign } from '../witnesses/countersign';
import { takeDownNote } from '../fleet/takeDownNote';
import { numberPart } from '../parts/numberPart';
import { takeNote } from './takeNote';
import type { UnitRow } from '../database/tables';
import type { Taker, Taking } from './taking';

/** A taker, whatever its kind: facts were checked against their kind before. */
export type AnyTaker = (taking: Taking<any, any>) => Promise<void>;

/** These may be said of a machine that is not on the yard. */
type OnAnyMachine = 'finding-opened' | KindsOn<'finding'>;
/** These change a job, its parts, or where its visit lies in the plan: all else that happens on a job is its card's. */
type OfJobs = 'job-started' | 'job-finished' | 'job-dropped' | 'job-put-off' | 'placed' | 'part-asked' | 'part-kept';
type OfCards = Exclude<SentKind & KindsOn<'job'>, OfJobs>;

type Takers<K extends SentKind> = { readonly [T in K]: T extends OnAnyMachine ? Taker<T, UnitRow | null> : Taker<T> };

/** What each kind that a device may send does beside being written down. A kind without its own taker does not compile. */
const TAKERS: Takers<Exclude<SentKind, OfCards>> = {
  'check-in': takeCheckIn,
  'check-out': takeCheckOut,
  'hire-back': takeBack,
  'trouble-told': takeTrouble,
  'told-moved': moveTold,
  'left-anyway': takeLeftAnyway,
  'reading-corrected': correctReading,
  fuelled: takeFuelled,
  'fuel-out': takeFuelOut,
  'fuel-seen': takeFuelSeen,
  'laid-up': takeLaidUp,
  woken: takeWoken,
  note: takeNote,
  'standing-note': takeNote,
  'standing-note-ended': takeDownNote,

  'defect-found': takeDefect,
  'defect-closed': takeClosing,
  'lived-with': liveWith,
  'not-fitted': takeNotFitted,
  'fitted-after-all': takeFittedAfterAll,
  countersigned: takeCountersign,
  'figure-confirmed': takeFigureConfirmed,

  'job-raised': raiseJob,
  'job-started': startJob,
  'job-finished': finishJob,
  'job-dropped': dropJob,
  'job-put-off': putJobOff,

  placed: placeVisit,

  'finding-opened': openFinding,
  'machine-described': describeMachine,
  seen: takeLook,
  'could-not-tell': takeObservation,
  'taken-back': takeObservation,
  repaired: takeLook,
  'said-so': takeObservation,
  'causes-confirmed': confirmCauses,

  'part-asked': askPart,
  'part-line-changed': changePartLine,
  'part-kept': keepPart,
  'part-numbered': numberPart,
};

/** Who takes entries of a kind: whoever is named for it, or, for what only happens on a card, the card. */
export const takerOf = (kind: SentKind): AnyTaker => entryOf<AnyTaker>(TAKERS, kind) ?? takeCardEntry;

import { backToWork } from './backToWork';
import { causesConfirmed } from './causesConfirmed';
import { checkIn } from './checkIn';
import { checkOut } from './checkOut';
import { clockEnded } from './clockEnded';
import { clockStarted } from './clockStarted';
import { couldNotTell } from './couldNotTell';
import { decided } from './decided';
import { defectClosed } from './defectClosed';
import { defectFound } from './defectFound';
import { findingOpened } from './findingOpened';
import { fuelled } from './fuelled';
import { fuelOut } from './fuelOut';
import { handsOff } from './handsOff';
import { handsOn } from './handsOn';
import { handedOn } from './handedOn';
import { hireBack } from './hireBack';
import { hireBooked } from './hireBooked';
import { hireChanged } from './hireChanged';
import { hireCancelled } from './hireCancelled';
import { jobDropped } from './jobDropped';
import { jobFinished } from './jobFinished';
import { jobPutOff } from './jobPutOff';
import { jobRaised } from './jobRaised';
import { jobStarted } from './jobStarted';
import { laidUp } from './laidUp';
import { leakLook } from './leakLook';
import { livedWith } from './livedWith';
import { machineDescribed } from './machineDescribed';
import { notFitted } from './notFitted';
import { measured } from './measured';
import { note } from './note';
import { partNumbered } from './partNumbered';
import { standingNote } from './standingNote';
import { standingNoteEnded } from './standingNoteEnded';
import { parked } from './parked';
import { partArrived } from './partArrived';
import { partAsked } from './partAsked';
import { partKept } from './partKept';
import { partLate } from './partLate';
import { partLineChanged } from './partLineChanged';
import { partOrdered } from './partOrdered';
import { paused } from './paused';
import { photo } from './photo';
import { photoMarked } from './photoMarked';
import { placed } from './placed';
import { proofLoad } from './proofLoad';
import { proofLook } from './proofLook';
import { proofReading } from './proofReading';
import { proved } from './proved';
import { putBack } from './putBack';
import { reading } from './reading';
import { readingCorrected } from './readingCorrected';
import { repaired } from './repaired';
import { saidSo } from './saidSo';
import { replaced } from './replaced';
import { resumed } from './resumed';
import { runStarted } from './runStarted';
import { runStopped } from './runStopped';
import { seen } from './seen';
import { signatureAsked } from './signatureAsked';
import { smoke } from './smoke';
import { stepAdded } from './stepAdded';
import { stepChanged } from './stepChanged';
import { stepDone } from './stepDone';
import { stepDropped } from './stepDropped';
import { stepUndone } from './stepUndone';
import { stepsListed } from './stepsListed';
import { struckOff } from './struckOff';
import { takenBack } from './takenBack';
import { takenOff } from './takenOff';
import { takenOffAgain } from './takenOffAgain';
import { teardownBegun } from './teardownBegun';
import { thingChanged } from './thingChanged';
import { toProof } from './toProof';
import { troubleTold } from './troubleTold';
import { trialStart } from './trialStart';
import { unitAdded } from './unitAdded';
import { unitChanged } from './unitChanged';
import { woken } from './woken';

/** What can happen, by kind: a new one is its file and a line here. */
export const LOG_KINDS = {
  fuelled,
  'fuel-out': fuelOut,
  'laid-up': laidUp,
  woken,
  'steps-listed': stepsListed,
  'step-added': stepAdded,
  'step-changed': stepChanged,
  'step-done': stepDone,
  'step-undone': stepUndone,
  'step-dropped': stepDropped,
  'hands-on': handsOn,
  'hands-off': handsOff,
  photo: photo,
  'photo-marked': photoMarked,
  'teardown-begun': teardownBegun,
  'taken-off': takenOff,
  'thing-changed': thingChanged,
  'put-back': putBack,
  'taken-off-again': takenOffAgain,
  replaced: replaced,
  'struck-off': struckOff,
  reading: reading,
  'trial-start': trialStart,
  paused: paused,
  parked: parked,
  'handed-on': handedOn,
  placed: placed,
  'signature-asked': signatureAsked,
  resumed: resumed,
  'clock-started': clockStarted,
  'clock-ended': clockEnded,
  decided: decided,
  'to-proof': toProof,
  'back-to-work': backToWork,
  'leak-look': leakLook,
  'proof-load': proofLoad,
  smoke: smoke,
  'run-started': runStarted,
  'run-stopped': runStopped,
  'proof-reading': proofReading,
  'proof-look': proofLook,
  proved: proved,
  'defect-found': defectFound,
  'defect-closed': defectClosed,
  'lived-with': livedWith,
  'not-fitted': notFitted,
  'job-raised': jobRaised,
  'job-started': jobStarted,
  'job-finished': jobFinished,
  'job-dropped': jobDropped,
  'job-put-off': jobPutOff,
  note: note,
  'finding-opened': findingOpened,
  'machine-described': machineDescribed,
  seen: seen,
  'could-not-tell': couldNotTell,
  'taken-back': takenBack,
  repaired: repaired,
  'said-so': saidSo,
  'causes-confirmed': causesConfirmed,
  'hire-booked': hireBooked,
  'hire-back': hireBack,
  'hire-cancelled': hireCancelled,
  'hire-changed': hireChanged,
  'trouble-told': troubleTold,
  'unit-added': unitAdded,
  'unit-changed': unitChanged,
  'reading-corrected': readingCorrected,
  measured: measured,
  'standing-note': standingNote,
  'standing-note-ended': standingNoteEnded,
  'part-asked': partAsked,
  'part-numbered': partNumbered,
  'part-line-changed': partLineChanged,
  'part-ordered': partOrdered,
  'part-late': partLate,
  'part-arrived': partArrived,
  'part-kept': partKept,
  'check-in': checkIn,
  'check-out': checkOut,
};

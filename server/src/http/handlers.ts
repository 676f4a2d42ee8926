import { timingSafeEqual } from 'node:crypto';
import type { Response } from 'express';
import { sql } from 'kysely';
import type { NewCardEntry } from '@hudrik/core/card';
import { addCardEntry } from '../cards/addCardEntry';
import { readClocks } from '../cards/clocks';
import { readCard } from '../cards/readCard';
import { readWays } from '../cards/ways';
import { addCheckIn } from '../checkins/addCheckIn';
import { readOpening } from '../checkins/opening';
import { readCheckIn } from '../checkins/readCheckIn';
import { addCheckOut } from '../checkouts/addCheckOut';
import type { Context } from '../context';
import { exportHires, importHires } from '../exchange/hires';
import { exportModels, importModels } from '../exchange/models';
import { exportParts, importParts } from '../exchange/parts';
import { exportUnits, importUnits } from '../exchange/units';
import { addEntry, changeMachine, openFinding, readFinding, readUnitFinding } from '../findings/findings';
import { confirmCauses } from '../findings/confirmCauses';
import { forgetLearned, readLearned } from '../findings/learned';
import { addNote, addUnit, changeUnit, correctReading } from '../fleet/changeUnit';
import { readHistory } from '../fleet/history';
import { addModel, changeSheet, readModels, readModelSheet } from '../fleet/models';
import { readUnits } from '../fleet/unitLines';
import { readUnitPage } from '../fleet/unitPage';
import { addHire, cancelHire, hireBack, readHires } from '../hires/hires';
import { addJob, dropJob, finishJob, readJobs, startJob } from '../jobs/jobs';
import {
  addPerson,
  changePerson,
  readSignInOptions,
  readPeople,
  SESSION_DAYS,
  setPreferences,
  signIn,
  signOut,
} from '../people/sessions';
import { addExchangePart, changeExchangePart, readExchangeParts } from '../parts/exchangeParts';
import { addOrder, readOrders, receiveOrder, sendOrder } from '../parts/orders';
import { askPart, changePartLine } from '../parts/partLines';
import { addPart, countPart, readParts } from '../parts/parts';
import { quotePart } from '../parts/quotePart';
import { putPhoto, readPhoto, readThumb } from '../photos/photos';
import { cardPdf } from '../printing/cardPdf';
import { estimatePdf } from '../printing/estimatePdf';
import { refuse } from '../refusal';
import { readShift } from '../shift/shift';
import { COOKIE, type Handlers } from './bind';
import { streamLive } from './streamLive';
import { openApiDocument } from './openapi';

export interface Installation {
  readonly version: string;
  readonly demo: boolean;
  /** The one-time code that makes the first lead, while there is nobody. */
  readonly firstLeadCode: string | null;
}

/** One line per operation: parse is done, the use case does the work. */
export function handlersOf(context: Context, installation: Installation): Handlers {
  const { db, now } = context;
  const param = (params: Readonly<Record<string, string>>, name: string): string => params[name] ?? '';
  return {
    health: async () => ({ ok: true, store: await reaches(context), version: installation.version }),
    openapi: async () => openApiDocument(installation.version),
    signInOptions: async () => readSignInOptions(context, installation.demo),
    signIn: async ({ body, response }) => enter(response, await signIn(context, body.personId, body.pin)),
    firstLead: async ({ body, response }) => {
      await mustBeFirst(context, installation, body.code);
      const person = await addPerson(db, { name: body.name, role: 'lead', pin: body.pin });
      return enter(response, await signIn(context, person.id, body.pin));
    },
    me: async ({ actor }) => actor,
    signOut: async ({ token, response }) => {
      if (token) await signOut(context, token);
      response.clearCookie(COOKIE, { path: '/' });
      return {};
    },
    setPreferences: async ({ actor, body }) => setPreferences(context, actor.id, body),
    people: async () => readPeople(db),
    changePerson: async ({ params, body }) => changePerson(context, numberOf(param(params, 'id')), body),
    addPerson: async ({ body }) => addPerson(db, body),

    shift: async () => readShift(context),
    units: async ({ query }) => readUnits(context, query),
    unit: async ({ params }) => readUnitPage(context, param(params, 'tag')),
    addUnit: async ({ actor, body }) => addUnit(context, actor, body),
    changeUnit: async ({ actor, params, body, seenVersion }) =>
      changeUnit(context, actor, param(params, 'tag'), body, seenVersion),
    history: async ({ params, query }) => readHistory(context, param(params, 'tag'), query),
    addNote: async ({ actor, params, body }) => addNote(context, actor, param(params, 'tag'), body.text),
    correctReading: async ({ actor, params, body }) => correctReading(context, actor, param(params, 'tag'), body),
    models: async () => readModels(db),
    modelSheet: async ({ params }) => readModelSheet(db, numberOf(param(params, 'id'))) as never,
    changeSheet: async ({ params, body }) => changeSheet(db, numberOf(param(params, 'id')), body) as never,
    addModel: async ({ body }) => addModel(db, body),

    hires: async ({ query }) => readHires(context, query),
    addHire: async ({ actor, body }) => addHire(context, actor, body),
    hireBack: async ({ actor, params }) => hireBack(context, actor, param(params, 'reference')),
    cancelHire: async ({ actor, params }) => cancelHire(context, actor, param(params, 'reference')),

    opening: async ({ params }) => readOpening(context, param(params, 'tag')),
    addCheckIn: async ({ actor, body }) => addCheckIn(context, actor, body),
    checkIn: async ({ params }) => readCheckIn(context, param(params, 'id')),
    addCheckOut: async ({ actor, body }) => addCheckOut(context, actor, body),
    putPhoto: async ({ actor, params, body }) =>
      putPhoto(context, actor, param(params, 'id'), Buffer.isBuffer(body) ? body : Buffer.alloc(0)),
    photo: async ({ params, response }) => sendPhoto(response, await readPhoto(context, param(params, 'id'))),
    photoThumb: async ({ params, response }) => sendPhoto(response, await readThumb(context, param(params, 'id'))),

    openFinding: async ({ actor, body }) => openFinding(context, actor, body as never),
    finding: async ({ params }) => readFinding(context, param(params, 'id')),
    unitFinding: async ({ params }) => ({ finding: await readUnitFinding(context, param(params, 'tag')) }),
    addEntry: async ({ actor, params, body }) => addEntry(context, actor, param(params, 'id'), body),
    changeMachine: async ({ params, body, seenVersion }) =>
      changeMachine(context, param(params, 'id'), body.machine as never, seenVersion),
    confirmCauses: async ({ actor, params, body }) => confirmCauses(context, actor, param(params, 'id'), body),
    learned: async () => readLearned(db),
    forgetLearned: async ({ actor }) => forgetLearned(context, actor),

    jobs: async ({ query }) => readJobs(context, query),
    addJob: async ({ actor, body }) => addJob(context, actor, body),
    startJob: async ({ actor, params }) => startJob(context, actor, param(params, 'id')),
    finishJob: async ({ actor, params, body, seenVersion }) =>
      finishJob(context, actor, param(params, 'id'), body, seenVersion),
    dropJob: async ({ actor, params, body, seenVersion }) =>
      dropJob(context, actor, param(params, 'id'), body.why, seenVersion),

    card: async ({ params }) => readCard(context, param(params, 'id')),
    addCardEntry: async ({ actor, params, body }) =>
      addCardEntry(context, actor, param(params, 'id'), body as NewCardEntry),
    cardPdf: async ({ params, response }) =>
      sendPdf(response, `job-${param(params, 'id')}`, await cardPdf(context, param(params, 'id'), originOf(response))),
    estimatePdf: async ({ params, query, response }) =>
      sendPdf(
        response,
        `estimate-${param(params, 'id')}`,
        await estimatePdf(context, param(params, 'id'), query, originOf(response)),
      ),
    ways: async ({ params, query }) => readWays(context, param(params, 'id'), query),
    live: async ({ params, query, response }) => streamLive(context, param(params, 'id'), query.load, response),
    clocks: async ({ actor }) => readClocks(context, actor),

    parts: async ({ query }) => readParts(context, query.find),
    addPart: async ({ actor, body }) => addPart(context, actor, body),
    countPart: async ({ actor, params, body }) => countPart(context, actor, param(params, 'number'), body),
    quotePart: async ({ params }) => quotePart(context, param(params, 'number')),
    askPart: async ({ actor, params, body }) => askPart(context, actor, param(params, 'id'), body),
    changePartLine: async ({ actor, params, body }) => changePartLine(context, actor, param(params, 'id'), body.deed),
    orders: async () => readOrders(context),
    addOrder: async ({ actor, body }) => addOrder(context, actor, body),
    sendOrder: async ({ actor, params }) => sendOrder(context, actor, param(params, 'id')),
    receiveOrder: async ({ actor, params }) => receiveOrder(context, actor, param(params, 'id')),
    exchangeParts: async () => readExchangeParts(context),
    addExchangePart: async ({ actor, body }) => addExchangePart(context, actor, body),
    changeExchangePart: async ({ params, body }) => changeExchangePart(context, param(params, 'id'), body.state),
    importParts: async ({ actor, body }) => importParts(db, text(body), now(), actor.id),
    exportParts: async ({ response }) => sendCsv(response, 'parts', await exportParts(db)),

    importUnits: async ({ actor, body }) => importUnits(db, text(body), now(), actor.id),
    exportUnits: async ({ response }) => sendCsv(response, 'units', await exportUnits(db)),
    importModels: async ({ body }) => importModels(db, text(body)),
    exportModels: async ({ response }) => sendCsv(response, 'models', await exportModels(db)),
    importHires: async ({ actor, body }) => importHires(db, text(body), now(), actor.id),
    exportHires: async ({ response }) => sendCsv(response, 'hires', await exportHires(db)),
  };
}

const numberOf = (text: string): number => (/^\d{1,15}$/.test(text) ? Number(text) : refuse('not-found', { id: text }));
const text = (body: unknown): string => (Buffer.isBuffer(body) ? body.toString('utf8') : '');

function sendPhoto(response: Response, { mediaType, bytes }: { mediaType: string; bytes: Buffer }): undefined {
  response.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
  response.type(mediaType).send(bytes);
  return undefined;
}

/** Where the app is reached, as the one who asks reached it: a printed code must lead back there. */
const originOf = ({ req }: Response): string => `${req.protocol}://${req.get('host') ?? 'localhost'}`;

function sendPdf(response: Response, name: string, bytes: Buffer): undefined {
  response.setHeader('Content-Disposition', `inline; filename="${name}.pdf"`);
  response.type('application/pdf').send(bytes);
  return undefined;
}

function sendCsv(response: Response, name: string, csv: string): undefined {
  response.attachment(`${name}.csv`).type('text/csv; charset=utf-8; header=present').send(csv);
  return undefined;
}

async function reaches({ db }: Context): Promise<boolean> {
  return sql`select 1`.execute(db).then(
    () => true,
    () => false,
  );
}

function enter<T>(response: Response, { token, person }: { token: string; person: T }): T {
  response.cookie(COOKIE, token, { httpOnly: true, sameSite: 'strict', path: '/', maxAge: SESSION_DAYS * 86_400_000 });
  return person;
}

async function mustBeFirst({ db }: Context, installation: Installation, code: string): Promise<void> {
  const wanted = Buffer.from(installation.firstLeadCode ?? '');
  const given = Buffer.from(code);
  const fits = wanted.length > 0 && wanted.length === given.length && timingSafeEqual(wanted, given);
  if (!fits || (await db.selectFrom('person').select('id').limit(1).executeTakeFirst()))
    refuse('not-found', { field: 'code' });
}

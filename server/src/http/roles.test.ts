import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import { OPERATIONS, ROLES, type Operation, type OperationId, type Role } from '@hudrik/core/contracts';
import { kindOf, LOG_KIND_IDS } from '@hudrik/core/log';
import { SAMPLES } from '@hudrik/core/log/samples';
import { problemIn, useYard } from '../testing/yard';
import { entriesOf } from '@hudrik/core/typed';

/** Who may call what, written by hand: apprentice, technician, lead, counter; “-”: on a device that was let in nobody need be signed in; “*”: from anywhere. */
const WHO: Readonly<Record<OperationId, string>> = {
  health: '*',
  openapi: '-',
  signInOptions: '*',
  signIn: '-',
  firstLead: '*',
  me: 'a t l c',
  signOut: 'a t l c',
  setPreferences: 'a t l c',
  settings: 'a t l c',
  zoneShift: 'l',
  changeSettings: 'l',
  events: 'a t l c',
  people: 'l',
  changePerson: 'l',
  addPerson: 'l',
  status: 'l',
  backUpNow: 'l',
  letIn: '*',
  makeDeviceCode: 'l',
  putOutDevice: 'l',
  access: 'a t l c',
  endSession: 'a t l c',
  makeWitness: 'a t l',
  changeOwnPin: 'a t l c',
  wrongPinsSeen: 'a t l c',
  shift: 'a t l c',
  units: 'a t l c',
  unit: 'a t l c',
  addUnit: 'l',
  changeUnit: 'l',
  addLogEntry: 'a t l c',
  history: 'a t l c',
  addModel: 'l',
  modelSheet: 'a t l c',
  changeSheet: 'l',
  models: 'a t l c',
  unitSheet: 'a t l c',
  unitService: 'a t l c',
  modelPlan: 'a t l c',
  changePlan: 'l',
  importPlans: 'l',
  exportPlans: 'a t l c',
  fleetService: 'a t l c',
  servicePdf: 'a t l c',
  equipment: 'a t l c',
  readEquipmentNow: 't l',
  fuelStore: 'a t l c',
  addCan: 't l',
  changeCan: 't l',
  unitFuel: 'a t l c',
  setModelTank: 'l',
  layUp: 'a t l c',
  chooseLayUp: 'l',
  setSeasons: 'l',
  seasonSheet: 'a t l c',
  exportSeasonSheet: 'a t l c',
  layUpTags: 'a t l c',
  seasonPdf: 'a t l c',
  bench: 'a t l c',
  planAnew: 't l',
  benchSearch: 'a t l c',
  stopSearch: 't l',
  dayPdf: 'a t l c',
  workingHours: 'a t l c',
  setHours: 'l',
  addAbsence: 'l',
  endAbsence: 'l',
  unitParts: 'a t l c',
  importSheets: 'l',
  exportSheets: 'a t l c',
  hires: 'a t l c',
  free: 'a t l c',
  addHire: 'l c',
  trouble: 't l c',
  desk: 'a t l c',
  readDeskNow: 'l c',
  allowBurst: 'l',
  calendarAddress: 'a t l c',
  renewCalendar: 'a t l c',
  ownCalendar: '*',
  hireCalendar: 'a t l c',
  changeHire: 'l c',
  cancelHire: 'l c',
  opening: 'a t l c',
  checkIn: 'a t l c',
  putPhoto: 'a t l',
  photo: 'a t l c',
  photoThumb: 'a t l c',
  finding: 'a t l c',
  unitFinding: 'a t l c',
  learned: 'a t l c',
  forgetLearned: 'l',
  jobs: 'a t l c',
  card: 'a t l c',
  cardPdf: 'a t l c',
  estimatePdf: 'a t l c',
  ways: 'a t l c',
  live: 'a t l',
  clocks: 'a t l c',
  parts: 'a t l c',
  reorder: 'a t l c',
  exportReorder: 'a t l c',
  addPart: 't l',
  countPart: 't l',
  quotePart: 'a t l',
  askQuote: 'a t l',
  orders: 'a t l c',
  addOrder: 't l',
  sendOrder: 't l',
  receiveOrder: 'a t l',
  exchangeParts: 'a t l c',
  changeExchangePart: 'a t l',
  importParts: 'l',
  exportParts: 'a t l c',
  importModels: 'l',
  exportModels: 'a t l c',
  takeFleet: 'l',
  labelsPdf: 'a t l c',
  importUnits: 'l',
  exportUnits: 'a t l c',
  importHires: 'l c',
  exportHires: 'a t l c',
};

/** Streams do not end; signing out and putting out would end the others. */
const ASKED_APART: readonly OperationId[] = ['events', 'live', 'signOut', 'putOutDevice', 'endSession'];
const LETTERS: Readonly<Record<Role, string>> = { apprentice: 'a', technician: 't', lead: 'l', counter: 'c' };
const may = (id: OperationId, role: Role): boolean =>
  ['-', '*'].includes(WHO[id]) || WHO[id].split(' ').includes(LETTERS[role]);

describe('who may call what', () => {
  const yard = useYard();
  const operations = entriesOf<OperationId, Operation>(OPERATIONS);
  const call = (operation: Operation, as?: Role, cookie?: string) =>
    yard.ask(
      operation.method.toUpperCase(),
      operation.path.replaceAll('{tag}', 'GE-01').replaceAll(/\{\w+\}/g, '1'),
      operation.method === 'get' ? { as, cookie } : { as, cookie, body: {} },
    );

  test('nobody who is not signed in, but for what is open to all', async () => {
    for (const [id, operation] of operations) {
      const response = await call(operation);
      const isOpen = WHO[id].length === 1 && !'atlc'.includes(WHO[id]);
      assert.equal(response.status === 401 && id !== 'signIn', !isOpen, `${id}: ${response.status}`);
      if (!isOpen) assert.equal((await problemIn(response)).code, 'not-signed-in');
    }
  });

  test('on a device that was not let in: who is signed in elsewhere is nobody, and nothing answers but what lets it in', async () => {
    for (const cookie of ['', 'hudrik_device=guessed'])
      for (const [id, operation] of operations) {
        const response = await call(operation, 'lead', cookie);
        const isRefused = response.status === 401 && (await problemIn(response)).code === 'not-let-in';
        assert.equal(isRefused, WHO[id] !== '*', `${id}: ${response.status}`);
      }
  });

  test('each role what the table says, and nothing else', async () => {
    await yard.addUnit('GE-01');
    for (const [id, operation] of operations) {
      for (const role of ROLES) {
        if (may(id, role) && ASKED_APART.includes(id)) continue;
        const response = await call(operation, role);
        assert.equal(response.status === 403, !may(id, role), `${id} as ${role}: ${response.status}`);
        assert.ok(response.status < 500, `${id} as ${role}: ${response.status}`);
      }
    }
    assert.equal((await call(OPERATIONS.signOut, 'counter')).status, 200);
  });

  test('of what can be entered, each role what its kind says: that is refused before anything else is looked at', async () => {
    await yard.signInAgain();
    for (const kind of LOG_KIND_IDS)
      for (const role of ROLES) {
        const body = { id: crypto.randomUUID(), kind, tag: 'GE-01', facts: SAMPLES[kind][0] };
        const response = await yard.ask('POST', '/api/log', { as: role, body });
        const who: readonly Role[] = kindOf(kind)?.who ?? [];
        // What nobody enters is no kind that can be sent.
        if (who.length === 0) assert.equal(response.status, 422, kind);
        else assert.equal(response.status === 403, !who.includes(role), `${kind} as ${role}: ${response.status}`);
        assert.ok(response.status < 500, `${kind} as ${role}: ${response.status}`);
      }
  });
});

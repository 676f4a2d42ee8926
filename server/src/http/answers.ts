import { isClassId, type ClassId } from '@hudrik/core/catalogue';
import type { Response } from 'express';
import type { Photo } from '../photos/photos';
import { refuse } from '../refusal';

type Params = Readonly<Record<string, string>>;
export const param = (params: Params, name: string): string => params[name] ?? '';
export const numberIn = (params: Params, name: string): number =>
  /^\d{1,15}$/.test(param(params, name)) ? Number(params[name]) : refuse('not-found', { [name]: param(params, name) });
export const classIn = (params: Params): ClassId => {
  const classId = param(params, 'class');
  return isClassId(classId) ? classId : refuse('not-found', { class: classId });
};
export const bytesOf = (body: unknown): Buffer => (Buffer.isBuffer(body) ? body : Buffer.alloc(0));
export const textOf = (body: unknown): string => bytesOf(body).toString('utf8');

export function sendPhoto(
  response: Response,
  { mediaType, bytes }: Photo,
  { isFinal }: { readonly isFinal: boolean },
): undefined {
  response.setHeader('Cache-Control', isFinal ? 'private, max-age=31536000, immutable' : 'no-store');
  response.type(mediaType).send(bytes);
  return undefined;
}

/** Where the app is reached, as the one who asks reached it: a printed code must lead back there. */
export const originOf = ({ req }: Response): string => `${req.protocol}://${req.get('host') ?? 'localhost'}`;

export function sendPdf(response: Response, name: string, bytes: Buffer): undefined {
  response.setHeader('Content-Disposition', `inline; filename="${name}.pdf"`);
  response.type('application/pdf').send(bytes);
  return undefined;
}

export function sendCsv(response: Response, name: string, csv: string): undefined {
  response.attachment(`${name}.csv`).type('text/csv; charset=utf-8; header=present').send(csv);
  return undefined;
}

import type { Request } from 'express';

/** Whether it is asked on this machine itself, and not through a proxy here for somebody elsewhere. */
export const isNear = ({ ip }: Pick<Request, 'ip'>): boolean => /^(::ffff:)?127\.|^::1$/.test(ip ?? '');

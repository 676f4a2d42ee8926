import { existsSync } from 'node:fs';

/** Debian's Chromium: the shell without windows where it is there (it does the same at three quarters of the cost). */
export const CHROMIUM =
  process.env['CHROMIUM'] ??
  ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find((file) => existsSync(file)) ??
  'chromium';

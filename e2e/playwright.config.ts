import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './chromium';

/** The built app on the real server, in Debian's Chromium, on the phone and on the wide screen. */
export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  outputDir: 'results',
  workers: 2,
  fullyParallel: true,
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: 'list',
  use: {
    actionTimeout: 20_000,
    // What goes on without a connection asks for it.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: CHROMIUM,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--force-prefers-reduced-motion',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--disable-dev-shm-usage',
      ],
    },
  },
  projects: [
    { name: 'phone', grepInvert: /@wide/, use: { viewport: { width: 390, height: 844 }, hasTouch: true } },
    { name: 'wide', grepInvert: /@phone/, use: { viewport: { width: 1280, height: 800 } } },
  ],
});

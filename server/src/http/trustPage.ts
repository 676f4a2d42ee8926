import express, { type Express } from 'express';
import helmet from 'helmet';

interface Trust {
  readonly authority: string;
  readonly fingerprint: string;
  /** Where the yard itself is, once it is trusted. */
  readonly yard: (host: string) => string;
}

const STEPS: readonly { readonly device: string; readonly steps: readonly string[] }[] = [
  {
    device: 'iPhone and iPad',
    steps: [
      'Tap “Take the certificate” in Safari, and allow it to be loaded.',
      'Settings, Profile loaded: Install.',
      'Settings, General, About, Certificate trust: switch it on for “Hudrik yard”.',
    ],
  },
  {
    device: 'Android',
    steps: [
      'Tap “Take the certificate”: it is put among the downloads.',
      'Settings: search for “CA certificate”, choose Install anyway, and pick the file.',
      'Open the yard in Chrome.',
    ],
  },
  {
    device: 'Windows',
    steps: [
      'Take the certificate and open it: Install certificate.',
      'Current user; Place in: Trusted Root Certification Authorities.',
    ],
  },
  {
    device: 'macOS',
    steps: ['Take the certificate and open it in Keychain Access.', 'Double-click “Hudrik yard”, Trust: Always trust.'],
  },
  {
    device: 'Linux with Chromium',
    steps: ['Settings, Privacy and security, Security, Manage certificates, Authorities: Import, trust for websites.'],
  },
];

/**
 * A small page in the clear that leads a device through trusting the yard’s certificate once, and gives it; nothing else answers there. What it
 * gives is no secret; that it is the right one is seen by the fingerprint, which a lead’s screen shows too.
 */
export function trustPage({ authority, fingerprint, yard }: Trust): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    helmet({
      strictTransportSecurity: false,
      contentSecurityPolicy: { directives: { styleSrc: ["'unsafe-inline'"], upgradeInsecureRequests: null } },
    }),
  );
  app.get('/hudrik-yard.crt', (_request, response) => {
    response.attachment('hudrik-yard.crt').type('application/x-x509-ca-cert').send(authority);
  });
  app.get('/', (request, response) => {
    response.type('html').send(pageOf(fingerprint, yard(request.hostname)));
  });
  app.use((_request, response) => void response.status(404).type('text').send('Only the yard’s certificate is here.'));
  return app;
}

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('"', '&quot;');

const pageOf = (fingerprint: string, yard: string): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>Trust this yard</title>
<style>
body { margin: 0 auto; max-width: 560px; padding: 24px 16px 48px; font: 17px/1.45 sans-serif; background: #dce2df; color: #12211b; }
h1 { font-size: 26px; } h2 { font-size: 19px; margin: 28px 0 6px; border-bottom: 2px solid #12211b; }
a.push { display: block; margin: 12px 0; padding: 16px; border-radius: 4px; background: #12211b; color: #fdf6e6; text-align: center; font-weight: bold; text-decoration: none; }
code { display: block; margin: 8px 0; padding: 12px; background: #fdf6e6; font-size: 19px; word-spacing: 4px; }
li { margin: 6px 0; } details { margin: 10px 0; padding: 10px 12px; background: #f5e5be; } summary { font-weight: bold; min-height: 32px; }
</style></head><body>
<h1>Trust this yard, once</h1>
<p>What travels between this device and Hudrik is then read by nobody else, and Hudrik works here without a connection too.</p>
<h2>1. Compare</h2>
<p>A lead’s screen (More, Devices and sign-ins) shows the same figures. If they differ, stop, and ask a lead.</p>
<code>${escaped(fingerprint)}</code>
<h2>2. Take it and trust it</h2>
<a class="push" href="/hudrik-yard.crt">Take the certificate</a>
${STEPS.map(({ device, steps }) => `<details><summary>${device}</summary><ol>${steps.map((step) => `<li>${escaped(step)}</li>`).join('')}</ol></details>`).join('\n')}
<h2>3. Open the yard</h2>
<a class="push" href="${escaped(yard)}">Open Hudrik</a>
</body></html>
`;

import { settingsPage } from './settings.mjs';

process.stdout.write(settingsPage());

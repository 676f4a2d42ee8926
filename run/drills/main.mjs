import { sayDevices } from './devices.mjs';
import { sayGuessing } from './guessing.mjs';
import { sayKills } from './kills.mjs';
import { sayRestore } from './restore.mjs';
import { saySecondMachine } from './secondMachine.mjs';
import { sayService } from './service.mjs';
import { saySeveral } from './several.mjs';
import { saySoak } from './soak.mjs';
import { sayStandby } from './standby.mjs';
import { sayUpgrades } from './upgrades.mjs';

/** What goes wrong, made to go wrong: each drill says its figures. One or some of them by name; none named: all. */
const DRILLS = {
  kills: sayKills,
  devices: sayDevices,
  standby: sayStandby,
  several: saySeveral,
  restore: sayRestore,
  guessing: sayGuessing,
  upgrades: sayUpgrades,
  'second-machine': saySecondMachine,
  service: sayService,
  soak: saySoak,
};

const asked = process.argv.slice(2);
const unknown = asked.filter((name) => !(name in DRILLS));
if (unknown.length > 0) {
  console.error(`There is no drill “${unknown.join(', ')}”. There are: ${Object.keys(DRILLS).join(', ')}.`);
  process.exit(2);
}
for (const [name, drill] of Object.entries(DRILLS)) if (asked.length === 0 || asked.includes(name)) await drill();
process.exit(0);

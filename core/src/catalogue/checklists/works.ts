import { JUDGEMENT, worksOf } from '../shapes';

/** What is done about what is found on any engine, or at any return. */
export const WORK = worksOf(JUDGEMENT, {
  'find-fault': ['repair', 'Find the fault', 45],
  'oil-service': ['service', 'Oil service', 25],
  'drain-fuel': ['repair', 'Drain tank, hose and bowl; fresh fuel', 35],
  'air-filter': ['prep', 'Clean or renew the air filter', 10],
  'top-up-oil': ['prep', 'Top up the oil; look for where it went', 5],
  'fuel-in-oil': ['repair', 'Drain the oil, float needle and seat, new oil', 60],
  'water-in-oil': ['repair', 'Find how water got in; flush, new oil', 50],
  'fresh-fuel': ['prep', 'Drain the tank, fresh fuel', 15],
  'clean-tank': ['repair', 'Clean the tank; screen and bowl', 60],
  'fuel-leak': ['repair', 'Stop the fuel leak', 45],
  fasteners: ['prep', 'Fit and tighten fasteners', 10],
  'strangers-hand': ['prep', 'Look over what a stranger took apart', 15],
  exhaust: ['repair', 'Secure the exhaust', 25],
  'recoil-rope': ['prep', 'Starter spring and pulley', 20],
  'starter-cord': ['prep', 'New starter cord', 20],
  'drive-guard': ['repair', 'Belt or coupling guard', 30],
  'new-cord': ['repair', 'New supply cord or plug', 20],
  'new-labels': ['prep', 'New warning labels', 10],
  'kill-switch': ['repair', 'Stop switch and its wire', 30],
  wash: ['prep', 'Clean it: dry and by hand round air inlet and electrics', 15],
  'hydraulic-lock': ['repair', 'Plug out, clear the cylinder, float needle, new oil', 75],
  'why-it-comes-back': ['prep', 'Look into why it comes back: keep it, or let it go', 20],
  'sign-off': ['prep', 'Look over the apprentice’s check-in and sign it off', 5],
});

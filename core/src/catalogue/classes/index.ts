import { generator } from './generator';
import { logSplitter } from './logSplitter';
import { pressureWasher } from './pressureWasher';
import { snowblower } from './snowblower';
import { tiller } from './tiller';
import { welder } from './welder';

/** The kinds of machine on the yard, in the order in which they hang on the wall. After a change here: npm run ids. */
export const CLASS_FOLDERS = [pressureWasher, generator, tiller, snowblower, logSplitter, welder];

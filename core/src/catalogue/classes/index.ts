import { GENERATOR } from './generator';
import { LOG_SPLITTER } from './logSplitter';
import { PRESSURE_WASHER } from './pressureWasher';
import { SNOWBLOWER } from './snowblower';
import { TILLER } from './tiller';
import { WELDER } from './welder';

/** The kinds of machine on the yard, in the order in which they hang on the wall. */
export const CLASSES = [PRESSURE_WASHER, GENERATOR, TILLER, SNOWBLOWER, LOG_SPLITTER, WELDER] as const;

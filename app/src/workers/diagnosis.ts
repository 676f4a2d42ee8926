import { askSchools, lookInto, type Ahead, type Answer, type Question } from './lookInto';

/** Where there are no web workers the sum is done in place. */
export const ask = async (question: Question): Promise<Answer> => lookInto(question);
export const askForSchools = async (question: Question): Promise<Ahead> => askSchools(question);

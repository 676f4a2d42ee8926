import { folderOf, type MachineClass } from '@hudrik/core/catalogue';
import type { Opening } from '@hudrik/core/contracts';
import { classFor, ratedOf } from '@hudrik/core/ratings';

/** The class as this unit is looked at: with its own limits, and without the checks for what it has not got. */
export function classOfUnit({
  classId,
  ratings,
  notFitted,
}: Pick<Opening, 'classId' | 'ratings' | 'notFitted'>): MachineClass {
  const { machineClass, rated } = folderOf(classId);
  return classFor(machineClass, rated, ratedOf(rated, ratings.model, ratings.unit), notFitted);
}

export { classFor, measuredFor, moved, planFor, ratedOf } from './rated';

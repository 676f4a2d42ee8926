export { classFor, measuredFor, planFor, ratedOf } from './rated';

export { formatFigure, formatMoney, type Writing } from './figures';
export { isNoFigure, readFigure, readPositive } from './readFigure';
export { exact } from './exact';

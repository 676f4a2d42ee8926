export { formatFigure, formatMoney, type Writing } from './figures';
export { readFigure, readPositive } from './readFigure';

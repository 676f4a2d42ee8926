export { formatFigure, formatMoney, type Writing } from './figures';

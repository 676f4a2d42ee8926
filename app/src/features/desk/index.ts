export { AddUnitScreen } from './AddUnitScreen';
export { DataSheetScreen } from './DataSheetScreen';
export { ExchangeScreen } from './ExchangeScreen';
export { HiresScreen } from './HiresScreen';

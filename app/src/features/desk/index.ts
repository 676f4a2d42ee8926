export { AddUnitScreen } from './AddUnitScreen';
export { DataSheetScreen } from './DataSheetScreen';
export { ExchangeScreen } from './ExchangeScreen';
export { FreeScreen } from './FreeScreen';
export { HiresScreen } from './HiresScreen';
export { TroubleScreen } from './TroubleScreen';

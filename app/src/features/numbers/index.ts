export { NumbersScreen } from './NumbersScreen';
export { OpenGapScreen } from './OpenGapScreen';
export { TorqueScreen } from './TorqueScreen';
export { CalculatorScreen } from './CalculatorScreen';

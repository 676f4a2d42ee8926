export { LineChart as default } from 'react-native-gifted-charts';

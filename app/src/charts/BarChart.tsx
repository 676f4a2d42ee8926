export { BarChart as default } from 'react-native-gifted-charts';

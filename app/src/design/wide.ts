import { useWindowDimensions } from 'react-native';

/** Another layout from here on, not a stretched phone. */
export const useIsWide = (): boolean => useWindowDimensions().width >= 1000;

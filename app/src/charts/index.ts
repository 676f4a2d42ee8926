import { lazy } from 'react';

/** The chart package is large: it is loaded with the first chart that is shown, and imported nowhere else. */
export const LineChart = lazy(() => import('./LineChart'));
export const BarChart = lazy(() => import('./BarChart'));

import { router } from 'expo-router';

/**
 * Opens the app from the start. Between the screens before and behind the sign-in nothing is carried over: a screen behind it must not be drawn
 * while nobody is known yet.
 */
export function openAnew(): void {
  if (typeof location === 'undefined') router.replace('/');
  else location.replace('/');
}

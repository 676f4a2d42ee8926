/** The app opens without a connection once it was loaded. */
export function registerServiceWorker(): void {
  if (__DEV__ || !('serviceWorker' in navigator)) return;
  const register = () => void navigator.serviceWorker.register('/sw.js');
  if (document.readyState === 'complete') register();
  else window.addEventListener('load', register, { once: true });
}

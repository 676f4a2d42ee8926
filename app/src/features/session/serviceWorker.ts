/** Only browsers have one. */
export function registerServiceWorker(): void {}

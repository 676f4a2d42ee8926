type Load = (path: string) => Promise<void>;

declare global {
  var __loadBundleAsync: Load | undefined;
}

/**
 * What several places share stands in one file that the page would load at once. The build names it in a link instead (`lateCommon.mjs`), and
 * here it is loaded with the first place that is opened. One that could not be had is asked for again.
 */
function loadCommonLate(): void {
  const load = globalThis.__loadBundleAsync;
  const common = typeof document === 'undefined' ? null : document.querySelector<HTMLLinkElement>('link#common');
  if (!load || !common) return;
  let once: Promise<void> | null = null;
  globalThis.__loadBundleAsync = async (path) => {
    once ??= load(new URL(common.href).pathname).catch((error: unknown) => {
      once = null;
      throw error;
    });
    await once;
    return load(path);
  };
}

loadCommonLate();

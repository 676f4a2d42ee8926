/** Without a browser there is nothing to shrink with. */
export const shrinkPhoto = async (_file: Blob): Promise<Blob | null> => null;

/** Something that is not text, with its media type. */
export interface Bytes {
  readonly type: string;
  readonly bytes: ArrayBuffer;
}

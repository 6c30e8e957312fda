declare module 'wawoff2' {
  const wawoff2: {
    /** The font inside a WOFF2 file. Rejects what is none. */
    decompress(packed: Uint8Array): Promise<Uint8Array>;
  };
  export default wawoff2;
}

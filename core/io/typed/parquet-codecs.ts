import { decompress as zstd } from 'fzstd';
import { decompressBrotli } from 'hyparquet-compressors/src/brotli.js';
import { gunzip } from 'hyparquet-compressors/src/gzip.js';
import { decompressLz4, decompressLz4Raw } from 'hyparquet-compressors/src/lz4.js';

/**
 * What Parquet files are packed by, but for Snappy, which the reader unpacks itself. One by one: the package's own list unpacks Snappy by WebAssembly, which
 * the content security policy of the page forbids.
 */
export const PARQUET_CODECS = {
  GZIP: (input: Uint8Array, length: number): Uint8Array => gunzip(input, new Uint8Array(length)),
  BROTLI: decompressBrotli,
  ZSTD: (input: Uint8Array): Uint8Array => zstd(input),
  LZ4: decompressLz4,
  LZ4_RAW: decompressLz4Raw,
};

import { PICTURE_LIMIT, type SmallPicture } from 'core/document';
import { failure, success, type Result } from 'core/result';
import { faultOfSvg } from './svg-faults';

// Larger in either direction, a picture is no glyph; a small file can unpack to a huge one.
const MOST_PIXELS = 1024;
const PNG = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];

/** Reads a small PNG or SVG. It is refused when it is too large, neither of both, or an SVG with more than shapes and words. */
export function readSmallPicture(bytes: Uint8Array, name: string): Result<SmallPicture> {
  const short = name.replace(/\.(png|svg)$/i, '').slice(0, 40) || 'picture';
  if (bytes.length > PICTURE_LIMIT) return failure({ code: 'picture-too-large', name, bytes: bytes.length, limit: PICTURE_LIMIT });
  if (PNG.every((byte, i) => bytes[i] === byte)) return readPng(bytes, name, short);
  const text = new TextDecoder().decode(bytes);
  if (!/^\uFEFF?\s*</.test(text)) return failure({ code: 'picture-foreign', name });
  const fault = faultOfSvg(text);
  if (fault !== null) return failure({ code: 'picture-active', name, words: fault });
  return success({ name: short, type: 'image/svg+xml', data: base64(bytes) });
}

/** Reads width and height from the first chunk, in big-endian order. */
function readPng(bytes: Uint8Array, name: string, short: string): Result<SmallPicture> {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 24) return failure({ code: 'picture-foreign', name });
  const [width, height] = [view.getUint32(16), view.getUint32(20)];
  if (width > MOST_PIXELS || height > MOST_PIXELS) return failure({ code: 'picture-too-wide', name, width, height, limit: MOST_PIXELS });
  return success({ name: short, type: 'image/png', data: base64(bytes) });
}

const base64 = (bytes: Uint8Array): string => btoa(Array.from(bytes, byte => String.fromCharCode(byte)).join(''));

/** A picture from an untrusted document, checked like an uploaded one. Its type is found from its bytes. */
export function checkedPicture({ name, data }: SmallPicture): Result<SmallPicture> {
  let bytes: Uint8Array;
  try {
    bytes = Uint8Array.from(atob(data), sign => sign.charCodeAt(0));
  } catch {
    return failure({ code: 'picture-foreign', name });
  }
  const read = readSmallPicture(bytes, name);
  return read.ok ? success({ ...read.value, name }) : read;
}

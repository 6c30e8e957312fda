import { PICTURE_LIMIT, type Picture } from 'core/project';
import { failure, success, type Result } from 'core/result';

// Larger in either direction, a picture is no glyph; a small file can unpack to a huge one.
const MOST_PIXELS = 1024;
const PNG = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];

// What an SVG may do beyond shapes: run, embed, fetch, unfold.
const ACTIVE =
  /<\s*(script|foreignobject|iframe|object|embed|audio|video|animate|set|handler|image|use)\b|\son\w+\s*=|javascript:|<!entity|<!doctype|@import|(href|src)\s*=\s*["']?\s*(?!#)[^"'\s>]|url\(\s*["']?\s*(?!#)/i;

/**
 * A small PNG or SVG of the analyst's own. It is refused when it is too large, is neither, or when an SVG holds anything but shapes.
 */
export function readPicture(bytes: Uint8Array, name: string): Result<Picture> {
  const short = name.replace(/\.(png|svg)$/i, '').slice(0, 40) || 'picture';
  if (bytes.length > PICTURE_LIMIT) return failure({ code: 'picture-too-large', name, bytes: bytes.length, limit: PICTURE_LIMIT });
  if (PNG.every((byte, i) => bytes[i] === byte)) return readPng(bytes, name, short);
  const text = new TextDecoder().decode(bytes);
  if (!/^\s*(<\?xml[^>]*>\s*)?(<!--[\s\S]*?-->\s*)*<svg[\s>]/i.test(text)) return failure({ code: 'picture-foreign', name });
  const active = ACTIVE.exec(text);
  if (active) return failure({ code: 'picture-active', name, words: active[0].trim() });
  return success({ name: short, type: 'image/svg+xml', data: base64(bytes) });
}

/** Width and height stand big-endian in the first chunk. */
function readPng(bytes: Uint8Array, name: string, short: string): Result<Picture> {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 24) return failure({ code: 'picture-foreign', name });
  const [width, height] = [view.getUint32(16), view.getUint32(20)];
  if (width > MOST_PIXELS || height > MOST_PIXELS) return failure({ code: 'picture-too-wide', name, width, height, limit: MOST_PIXELS });
  return success({ name: short, type: 'image/png', data: base64(bytes) });
}

const base64 = (bytes: Uint8Array): string => btoa(Array.from(bytes, byte => String.fromCharCode(byte)).join(''));

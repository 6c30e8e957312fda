import type { HandoverFormat } from '../format';
import { csv, json, parquet, text, words } from './data';
import { png, svg } from './drawn';
import { html } from './html';
import { sql } from './sql';
import { xlsx } from './xlsx';

/** Every format that a figure leaves in, in the order of help. */
export const handoverFormats: readonly HandoverFormat[] = [svg, png, html, csv, json, parquet, sql, xlsx, text, words];

/** A format by its name; undefined for none. */
export const formatNamed = (name: string): HandoverFormat | undefined => handoverFormats.find(format => format.name === name);

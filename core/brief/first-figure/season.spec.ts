import { plainTable, PROJECT_VERSION, type Project } from 'core/document';
import { firstFigure, type TableFacts } from '../index';

/** A table of two columns, a figure of it, and a project of both. */
export const deliveries: TableFacts = {
  id: 'd',
  name: 'deliveries',
  rowCount: 480,
  units: { milk: 'L' },
  columns: [
    { name: 'hut', type: 'text' },
    { name: 'milk', type: 'number' },
  ],
};
export const figure = firstFigure('f', deliveries, 'hut');
export const project: Project = {
  version: PROJECT_VERSION,
  id: 'p',
  name: 'Season',
  tables: [plainTable('d', 'deliveries')],
  figures: [figure],
  formats: [],
  pictures: [],
  liveries: [],
  looks: [],
};

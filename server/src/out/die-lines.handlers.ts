import type { dieLines } from '@druckerei/contract';
import { ruleRows } from '@druckerei/core';
import { csvFile } from '../files/csv-file';
import { readDieFile } from '../files/die-file';
import type { Handlers } from '../implement';
import { dieLineDxf } from './die-line-dxf';
import { fileName } from './file-name';

export const dieLinesHandlers: Handlers<typeof dieLines> = {
  'dieLines.dxf': ({ body }) =>
    Promise.resolve({
      mime: 'image/vnd.dxf',
      name: `${fileName(body.name)}.dxf`,
      attached: true,
      bytes: Buffer.from(dieLineDxf(body.layers)),
    }),
  'dieLines.csv': ({ body }) => Promise.resolve(csvFile(`${fileName(body.name)}.csv`, ruleRows(body.layers))),
  'dieLines.read': ({ file }) => Promise.resolve(readDieFile(file)),
};

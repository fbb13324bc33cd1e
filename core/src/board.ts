/* The board: what lays work on machines in time, judges, betters and tries it. For the worker that searches, the server and the page of the board. */
export * from './schedule/bound';
export * from './schedule/check';
export * from './schedule/dispatch';
export * from './schedule/floor-problem';
export * from './schedule/gap';
export * from './schedule/improve';
export * from './schedule/job-shop';
export * from './schedule/judge';
export type { Laying } from './schedule/laying';
export { isMoved, lateMoney, tightestOf } from './schedule/piece-money';
export { type Pieces, piecesOf } from './schedule/pieces';
export * from './schedule/move-job';
export * from './schedule/overtime';
export * from './schedule/problem';
export * from './schedule/promise';
export * from './schedule/why-late';
export * from './schedule/what-helps';

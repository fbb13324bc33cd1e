/* plan(), what is read off plans by planning again, and the kinds of work: for the plan worker, the server and the pages of settings. A page of a job loads none of it. */
export { PROCESS_IDS, PROCESSES } from './processes/registry';
export * from './processes/new-machine';
export * from './plan/readings/desk-work';
export * from './plan/readings/floor-steps';
export * from './plan/plan';
export * from './plan/readings/moved';
export * from './plan/readings/needs';
export * from './plan/what-if/other-machine';
export * from './plan/what-if/propose';
export * from './plan/readings/risk-curve';
export * from './plan/readings/rollers-made';
export * from './plan/what-if/same-again';
export * from './plan/what-if/search-layout';
export * from './plan/what-if/shortage';
export * from './plan/what-if/solve-gang';
export * from './plan/what-if/substitutes';
export * from './plan/readings/summary';
export * from './plan/readings/today';
